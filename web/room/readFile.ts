/** Letters of an old German or English spreadsheet, where a file is not UTF-8. */
const OLD = "windows-1252";

/** The text of a file, in whatever letters it was saved. */
export async function textOfFile(file: Blob): Promise<string> {
  const bytes = await file.arrayBuffer();
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder(OLD).decode(bytes); // every byte is a letter there: nothing is lost
  }
}
