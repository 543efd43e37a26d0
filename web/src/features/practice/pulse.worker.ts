// A page in the background has its timers slowed; a worker's go on once a second.
setInterval(() => postMessage(0), 1000)
