import type { PlaceMark, MarkSeen } from '../session'

/** Status of the Bench place in a job's navigation. */
export const mark = ({ proof }: MarkSeen): PlaceMark => {
  const broken = proof.findings.filter((f) => f.severity !== 'warn').length
  const toLookAt = proof.findings.length - broken
  const undecided = proof.undecided.length
  if (broken) return { text: `${broken} broken`, needs: true }
  // An undecided rule may be broken: it comes before a warning.
  if (undecided) return { text: `${undecided} undecided`, needs: false }
  if (toLookAt) return { text: `${toLookAt} to look at`, needs: false }
  return { text: proof.solved ? 'proven' : 'not proven', needs: false }
}
