/** “The hackle back to the thorax in two turns”: however it is brought there, it is wound. */
export const HACKLE_IN_TURNS =
  "(?:(?:the|that|your)\\s+)?(?:[a-z-]+\\s+){0,2}hackles?\\s+(?:(?:back|down|forwards?|up|on|through)\\s+)+(?:(?:to|towards?|over|through)\\s+(?:the\\s+|its\\s+)?(?:[a-z-]+\\s*){1,3})?,?\\s*(?:(?:in|with|making|taking|for)\\s+)?(?:about\\s+|just\\s+)?[\\w½-]+\\s+(?:(?:open|even|touching|spaced|close)\\s+)*(?:turns?|wraps?)\\b";
