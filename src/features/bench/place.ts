import type { PlaceEntry } from '../session'
import { Bench } from './Bench'

/** How the Bench stands in a job's walk. */
export const bench: PlaceEntry = {
  id: 'bench',
  title: 'Bench',
  Component: Bench,
  mark: ({ proof }) => {
    const broken = proof.findings.filter((f) => f.severity !== 'warn').length
    const toLookAt = proof.findings.length - broken
    const undecided = proof.undecided.length
    if (broken) return { text: `${broken} broken`, needs: true }
    if (toLookAt) return { text: `${toLookAt} to look at`, needs: false }
    if (undecided) return { text: `${undecided} undecided`, needs: false }
    return { text: proof.solved ? 'proven' : 'not proven', needs: false }
  },
}
