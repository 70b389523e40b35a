/**
 * One text as another keyboard, a telephone, a mail or a sheet writes it: nothing of what it says is another, though it
 * may be asked about where no capitals or single blanks tell words apart.
 */
export const typedOtherwise: readonly { how: string; of: (text: string) => string; mayAsk?: true }[] = [
  { how: "with two blanks between words", mayAsk: true, of: (text) => text.replace(/(?<=\S) (?=\S)/g, "  ") },
  { how: "with blanks that hold together", of: (text) => text.replace(/ /g, "\u00A0") },
  { how: "with bent apostrophes", of: (text) => text.replace(/(?<=\p{L})'(?=\p{L})/gu, "\u2019") },
  { how: "with the ends of its lines as another system writes them", of: (text) => text.replace(/\n/g, "\r\n") },
  { how: "with blanks at the end of its lines", of: (text) => text.replace(/(?<=\S)$/gm, "  ") },
  { how: "in small letters", mayAsk: true, of: (text) => text.toLowerCase() },
];
