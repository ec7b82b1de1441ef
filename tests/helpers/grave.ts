import type { Installation } from '@/core/installation'
import { prove, type Finding } from '@/core/rules'

/** What is found of a job but for what is only worth a look (such as backup that nothing holds off in mild weather). */
export const graveFindings = (inst: Installation): Finding[] =>
  prove(inst).findings.filter((f) => f.severity !== 'warn')
