/** “Keep it slim”, “It should be thin at the back”: a sentence that says how what was just told of is to be. */
const howItIs =
  /^\W*(?:(?:and|but|then)\s+)?(?:make\s+sure\s+(?:that\s+)?)?(?:(?:keep|make|build|shape|taper|form)\s+(?:it|them)(?!\p{L})|(?:it|they|this|these)\s+(?:should|must|needs?|has|have|is|are|can|may|ought|wants?|ends?|reach(?:es)?)(?!\p{L})|is\s+no\s+\p{L}+er\s+than\s|leave\s+(?:about\s+)?(?:an?|one|two|\d)[\p{L}\d\s]*\s(?:for|free|bare|clear|uncovered)(?!\p{L}))/u;

/** Whether a sentence only says how what was told before it is to be; nothing more is tied in by it. */
export const saysHowItIs = (sentence: string): boolean => howItIs.test(sentence);

const onceMore = /^\W*(?:(?:and|then|now)\s+)*(?:the\s+)?same\s+(?:thing\s+)?again\b/u;
/** “The same again under the shank”: as much once more of what was tied in before, and no word of that. */
export const saysOnceMore = (sentence: string): boolean => onceMore.test(sentence);
