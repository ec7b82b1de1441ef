import { readJson } from '../../tests/helpers/demo'
import { JOB_VERSION, onServerClock, type Envelope, type Job } from '.'

const RECEIVED = Date.parse('2026-12-01T12:00:00.000Z')
const made = (at: string, op: Envelope['op'], more: Partial<Envelope> = {}): Envelope => ({
  opId: 'a',
  client: 'b',
  who: '',
  at,
  docVersion: JOB_VERSION,
  seen: 1,
  op,
  ...more,
})
const wait = (when: string): Envelope['op'] => ({ kind: 'noteCall', card: 'heat1', when })

describe('the times of an edit', () => {
  it('of a device whose clock is right stay, however long it was away', () => {
    const edit = made('2026-12-01T07:00:00.000Z', wait('2026-12-01T07:00:00.100Z'))
    expect(onServerClock(edit, RECEIVED - 60_000, RECEIVED)).toEqual(edit)
    expect(onServerClock(edit, null, RECEIVED)).toEqual(edit)
  })

  it('of a device a year behind are put on the server’s clock, and its own is kept', () => {
    // Sent three hours after it was made, both by the device.
    const edit = made('2025-12-01T09:00:00.000Z', wait('2025-12-01T09:00:00.100Z'))
    expect(onServerClock(edit, Date.parse('2025-12-01T12:00:00.000Z'), RECEIVED)).toEqual({
      ...edit,
      at: '2026-12-01T09:00:00.000Z',
      deviceAt: '2025-12-01T09:00:00.000Z',
      op: wait('2026-12-01T09:00:00.100Z'),
    })
  })

  it('that were corrected on the device already are not corrected again', () => {
    const off = 365 * 86_400_000
    const edit = made('2026-12-01T11:59:00.000Z', wait('2026-12-01T11:59:00.000Z'), { clock: off })
    const { clock: _, ...rest } = edit
    const sent = RECEIVED - off
    expect(onServerClock(edit, sent, RECEIVED)).toEqual({ ...rest, deviceAt: '2025-12-01T11:59:00.000Z' })
  })

  it('of the future are of now', () => {
    const edit = made('2027-12-01T12:00:00.000Z', wait('2027-12-01T12:00:00.000Z'))
    expect(onServerClock(edit, RECEIVED, RECEIVED)).toMatchObject({
      at: '2026-12-01T12:00:00.000Z',
      op: { when: '2026-12-01T12:00:00.000Z' },
    })
  })

  it('a time that somebody entered stays; a reading in a batch keeps both', () => {
    const [reading] = readJson<Job>('demo/jobs/quillfeather-lane.json').readings
    const op: Envelope['op'] = {
      kind: 'batch',
      ops: [
        { kind: 'takeReading', reading: { ...reading!, when: '2025-12-01T11:00:00.000Z' } },
        wait('2025-06-01T11:00:00.000Z') as never,
      ],
    }
    const sent = Date.parse('2025-12-01T12:00:00.000Z')
    expect(onServerClock(made('2025-12-01T11:00:01.000Z', op), sent, RECEIVED).op).toMatchObject({
      ops: [
        { reading: { when: '2026-12-01T11:00:00.000Z', deviceWhen: '2025-12-01T11:00:00.000Z' } },
        { when: '2025-06-01T11:00:00.000Z' },
      ],
    })
  })
})
