/** Runs in a worker of its own: in a tab in the background, the page's own timers come late. */
let timer: ReturnType<typeof setTimeout> | undefined

self.onmessage = ({ data }: MessageEvent<number>) => {
  clearTimeout(timer)
  timer = setTimeout(() => self.postMessage(null), data)
}
