import Papa from 'papaparse'
import { setResponseHeader } from 'h3'
import { pourRows } from '#shared/files/pourRows'
import { findBuild } from '../../../db/builds'
import { listEntries } from '../../../db/entries'
import { ApiProblem, api, by, idFrom } from '../../../http/api'
import { fileName } from '../../../http/fileName'

export default api(async (event) => {
  const id = idFrom(event, 'build')
  const build = await findBuild(by(), id)
  if (!build) throw new ApiProblem(404, 'Not here', 'There is no such build in this shop.')
  setResponseHeader(event, 'content-type', 'text/csv; charset=utf-8')
  setResponseHeader(event, 'content-disposition', `attachment; filename="${fileName(build.name)}-pours.csv"`)
  // escapeFormulae: a spreadsheet must not run a name that begins with "=".
  return Papa.unparse(pourRows(await listEntries(by(), id)), { escapeFormulae: true })
})
