'use client'

import type { JobStore } from '@/client'
import { News } from '../news'
import { ClockOff } from './ClockOff'
import { ConflictList } from './ConflictList'
import { Deleted } from './Deleted'

/** Notices that are seldom seen, so they are fetched together after the first look. */
export const Notices = ({ decide, onSeen }: { decide: JobStore['decide']; onSeen: () => void }) => (
  <>
    <ClockOff />
    <Deleted />
    <ConflictList decide={decide} />
    <News onSeen={onSeen} />
  </>
)
