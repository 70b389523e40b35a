/** A stretch of the text, marked as understood, doubtful or set aside. */
export interface TextMark {
  at: [number, number];
  kind: "known" | "doubt" | "aside";
  /** What it was understood as; read aloud and shown where the pointer rests. */
  label?: string;
}

/** A question about a stretch of the text, with answers that can stand there instead. */
export interface TextQuestion {
  at: [number, number];
  sentence: string;
  answers: { label: string; text: string }[];
}

/** What may be meant by what is being typed. */
export interface TextOffer {
  label: string;
  note?: string;
  /** What is put in, where that is more than the label. */
  text?: string;
  /** Those that fit the place best come first. */
  first?: boolean;
}

/** The word that is being typed and where it begins, with what may be meant. */
export interface TextOffers {
  from: number;
  offers: TextOffer[];
}
