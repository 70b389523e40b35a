/** What a text is made of, in small letters: its words and figures, without the signs between them. */
export const lettersOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\d]+/u)
    .filter((w) => w !== "");
