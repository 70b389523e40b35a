/**
 * Where on the skin, wing or tail something comes from, as people say it: free words, as skins have no parts that
 * everybody names alike. Compared without the words that only lead to it.
 *
 * @example areaOf("From the Lower Wing ") // "lower wing"
 * @example areaOf("the edge of the saddle") // "edge"
 */
export const areaOf = (words: string): string =>
  words
    .trim()
    .toLowerCase()
    .replace(/\s+/g, " ")
    .replace(/^(?:taken |cut |picked )?(?:from )?(?:the )?/, "")
    .replace(/ (?:of|on) (?:the |a )?(?:skin|cape|saddle|hide|pelt|patch|mask)$/, "");

/**
 * Whether something of one area will do where another is asked for. What nobody has said of a lot is a whole skin, or
 * not looked at: it may do.
 * @param asked undefined or empty where any will do
 */
export const isFromArea = (has: string | undefined, asked: string | undefined): boolean =>
  !asked || !has || areaOf(has) === areaOf(asked);
