import { CHECK_WORDS, WAIT_FOR_WORDS, sayStep } from '../jobs'
import { kindWords } from '../kindWords'

export const jobStep = kindWords<'jobStep'>({
  label: 'Step of the job',
  say: ({ step, done, check, waits, words }) => [`${sayStep(step)}: ${check ? `${CHECK_WORDS[check]}${done ? '' : ', not after all'}` : done ? 'done' : waits ? `waits for ${WAIT_FOR_WORDS[waits]}` : 'not done'}`, ...words ? [words] : []].join('; ')
})
