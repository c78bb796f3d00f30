/** The key that starts and pauses the clock of the task in question; where there is none, it pauses the one that runs. */
export const PAUSE = '!'

/** The key that puts a task alone on screen. */
export const FOCUS = '#'
