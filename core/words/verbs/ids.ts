/** What a line tells to do. */
export type VerbId =
  | "seat"
  | "start"
  | "move"
  | "change"
  | "tie in"
  | "wind"
  | "dub"
  | "take over"
  | "carry"
  | "hold"
  | "whip"
  | "finish"
  | "glue"
  | "act"
  | "no finish"
  | "excess"
  | "prepare";
