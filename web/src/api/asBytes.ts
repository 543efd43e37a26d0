/** What is sent of a file, or of a piece of one: its bytes as they are. */
export const asBytes = (file: Blob) => ({
  body: file as unknown as string,
  bodySerializer: (body: unknown) => body as BodyInit,
  headers: { 'Content-Type': 'application/octet-stream' },
})
