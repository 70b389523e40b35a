/** Gives text out as a file. */
export function download(name: string, type: string, text: string): void {
  const link = Object.assign(document.createElement("a"), {
    href: URL.createObjectURL(new Blob([text], { type })),
    download: name,
  });
  link.click();
  URL.revokeObjectURL(link.href);
}
