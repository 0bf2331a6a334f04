/** Has the browser save a file. */
export function offerFile(name: string, content: Blob): void {
  const address = URL.createObjectURL(content);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // The browser has begun to save it by then.
  setTimeout(() => URL.revokeObjectURL(address), 60_000);
}
