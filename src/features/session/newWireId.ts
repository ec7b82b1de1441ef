/** An id for a conductor or jumper that somebody puts in: no other wire of any job has it. */
export const newWireId = (): string => `n-${crypto.randomUUID().slice(0, 8)}`
