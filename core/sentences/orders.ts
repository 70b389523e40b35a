import type { Sentences } from "../errors";
import type { Doubt, DoubtDetails } from "../orders";
import { say } from "./say";

const sentences: Sentences<DoubtDetails> = {
  LOOSE_NUMBER: (d) => `“${d.words}” means a different number to each person. Write the number of dozens.`,
  TWO_NUMBERS: (d) => `“${d.words}” is one of two numbers. Which?`,
  HEDGED: (d) => `“${d.words}” is not settled. Is it this number?`,
  DOZENS_OR_FLIES: (d) => `${d.words} of what: dozens or flies?`,
  SHARED_HOW: (d) => `${d.words}: is it so many of each of the ${d.count}, or shared among them?`,
  WISHED_OF_SOME: (d) =>
    `“${d.words}” does not say of how many it is wished. Write these as a line of their own, or wish it of all.`,
  ONE_LINE: (d) => `Does the line that begins “${d.words}” go on with the one above it, or is it one of its own?`,
  NOT_SHARED: (d) => `${d.flies} flies cannot be shared evenly among ${d.count}. Say how many of each.`,
  NOT_A_NUMBER: (d) => `“${d.words}” is not a number of dozens.`,
  TOO_FEW: (d) => `An order line has at least one fly; “${d.words}” is ${d.flies === 0 ? "none" : "less than none"}.`,
  NOT_WHOLE: (d) => `${d.words} is not a whole number of dozens. Write dozens and singles.`,
  TOO_MANY: (d) =>
    `${d.dozens.toLocaleString("en")} dozen is more than one line can hold: ${d.most} dozen is the most. Did you mean fewer?`,
  HOW_MANY: () => "How many? Write dozens before it, such as 6dz.",
  WHO_FOR: () => "Who is it for? Add a semicolon and the customer’s name.",
  WHEN_FOR: () => "When is it promised for? Add a day, such as 12 Mar, or a season.",
  DAY_PASSED: (d) => `${d.day} has passed. Give a day from ${d.today} on.`,
  DAY_FAR: (d) => `“${d.words}” has just passed this year. Is ${d.day} meant?`,
  TWO_DAYS_MEANT: (d) => `“${d.words}” could be two days. Which?`,
  ANOTHER_DAY: (d) =>
    `“${d.words}” is another day than ${d.day}, and an order has one. Write what is for another day as an order of its own.`,
  ANOTHER_CUSTOMER: (d) =>
    `This order is for ${d.customer} already. Write what is for ${d.words} as an order of its own.`,
  OTHER_ORDER: (d) =>
    `“${d.words}” speaks of an order that is there. Open that order and change it; what is new stays here.`,
  AS_BEFORE: (d) => `“${d.words}” names an earlier order. Open it, take its lines over, and write them here.`,
  NOT_A_DAY: (d) => `“${d.words}” is not a day that can be read. Write it like 12 Mar, or as year-month-day.`,
  CUSTOMER_UNKNOWN: (d) => `No customer is called “${d.words}”.`,
  WHICH_PATTERN: () => "Which pattern?",
  PATTERN_UNKNOWN: (d) => `No pattern is called “${d.words}”.`,
  WHICH_SIZE: (d) =>
    d.pattern === undefined ? "Which size?" : `Which size? ${d.pattern} is tied in ${d.from} to ${d.to}.`,
  SIZE_OR_OTHER: (d) => `“${d.words}”: in which of them?`,
  SIZE_OUTSIDE: (d) => `${d.pattern} is tied in sizes ${d.from} to ${d.to}, not in ${d.size}.`,
  SIZE_UNREADABLE: (d) => `“${d.words}” is not a hook size. Write a number such as 14, or an aught size such as 2/0.`,
  WHICH_COLOUR: (d) => `Which colour of ${d.pattern}?`,
  WHICH_FORM: (d) => `${d.pattern} was ${d.before} in the line before; usually it is ${d.usual}. Which here?`,
  WISH_OF_ALL: (d) => `Is “${d.words}” wished of this line alone, or of all of them?`,
  SAME_OF_WHICH: (d) => `Is “${d.words}” the row before once more, or all ${d.count} of that fly?`,
  WHAT_NUMBER: (d) => `What is ${d.words}? Quantity and size are there already.`,
  TABLE_UNCLEAR: (d) => `The column with ${d.column} in it has no unit. Are they dozens or single flies?`,
  ROW_TOO_LONG: (d) =>
    `Only the first ${d.most} signs of a line are read. Break it into several lines; nothing of it is lost.`,
  NOT_UNDERSTOOD: (d) => `“${d.words}” was not understood.`,
};

/** What is asked about an order. */
export const doubtSentence = (doubt: Doubt): string => say(sentences, doubt);
