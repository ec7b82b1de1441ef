import { clsx, type ClassValue } from 'clsx'
import { twMerge } from 'tailwind-merge'

/** Joins class names, leaving out what is not there; of two that say the same thing the later one stands. */
export const cx = (...names: ClassValue[]): string => twMerge(clsx(names))
