/** What is sent of a file: its bytes as they are. */
export const asBytes = (file: File) => ({
  body: file as unknown as string,
  bodySerializer: (body: unknown) => body as BodyInit,
  headers: { 'Content-Type': 'application/octet-stream' },
})
