/**
 * Texts that outlive the page on this device. A device that stores nothing (a private window, storage switched off or full)
 * keeps them as long as the page lives.
 */
const onPage = new Map<string, string>()

/** Value in local storage under a name; null: none. */
export function readStored(name: string): string | null {
  const here = onPage.get(name)
  if (here !== undefined) return here
  try {
    return localStorage.getItem(name)
  } catch {
    return null
  }
}

export function writeStored(name: string, text: string): void {
  try {
    localStorage.setItem(name, text)
    onPage.delete(name)
  } catch {
    onPage.set(name, text)
  }
}

export function removeStored(name: string): void {
  onPage.delete(name)
  try {
    localStorage.removeItem(name)
  } catch {
    // Nothing was stored.
  }
}

/** A kept value; null where there is none that can be read. */
export function readStoredValue<T>(name: string): T | null {
  const text = readStored(name)
  if (text === null) return null
  try {
    return JSON.parse(text) as T
  } catch {
    return null
  }
}

/** Under which the name of whoever works on this device is kept. */
export const WHO = 'gate-cross-who'
