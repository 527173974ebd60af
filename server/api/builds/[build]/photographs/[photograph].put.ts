import { createHash } from 'node:crypto'
import { LARGEST_PICTURE_MB } from '#shared/dto'
import { findBuild } from '../../../../db/builds'
import { hasPhotograph, keepPhotograph } from '../../../../db/photographs'
import { answer, api, by, hashFrom, idFrom, readBody, refuse } from '../../../../http/api'
import { ApiProblem } from '../../../../http/problem'
import { NoPicture, remade } from '../../../../photographs'

const SECONDS = 90

/** Keeps a photograph under the SHA-256 of what is sent, which is what its entries call it. What is kept is made anew from it. */
export default api(async (event) => {
  const build = idFrom(event, 'build')
  const sha256 = hashFrom(event, 'photograph')
  const sent = await readBody(event, LARGEST_PICTURE_MB * 1024 * 1024, 'image')
  if (!await findBuild(by(), build)) throw new ApiProblem(404, 'Not here', 'There is no such build in this shop.')
  if (createHash('sha256').update(sent).digest('hex') !== sha256) refuse([{ path: 'photograph', sentence: 'What came is not what was sent: the picture was damaged on its way. Send it again.' }])
  if (await hasPhotograph(by(), sha256)) return { sha256 }
  try {
    return answer(event, await keepPhotograph(by(), sha256, await remade(sent)))
  } catch (error) {
    if (error instanceof NoPicture) refuse([{ path: 'photograph', sentence: error.message }])
    throw error
  }
}, SECONDS)
