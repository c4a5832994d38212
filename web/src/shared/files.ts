/** How a file goes to the server: as the bytes that it is. */
export const asBytes = {
  bodySerializer: (body: unknown) => body as BodyInit,
  headers: { 'Content-Type': 'application/octet-stream' },
}
