/**
 * Joins class names, leaving out what is not there. Which of two that say the same thing stands is for the style sheet: what a
 * piece looks like by itself is in its `components` layer, and any utility beside it goes over that.
 */
export { clsx as cx } from 'clsx'
