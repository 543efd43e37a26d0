/** Says when to look again; a page in the background or a busy one does not slow it down. */
onmessage = (event: MessageEvent<number>) => {
  setInterval(() => postMessage(0), event.data)
}
