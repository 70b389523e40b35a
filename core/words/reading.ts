import type { Material } from "../materials";
import type { Recipe } from "../recipe";
import type { Ask, Bench, LineNotes } from "./bench";
import type { LineHead } from "./head";
import type { KnownHook } from "./hook";
import type { ScanContext, Told } from "./told";

/** A stretch of a line, with what became of it. */
export interface LineMark {
  at: [from: number, to: number];
  kind: "known" | "doubt" | "aside";
}

/** One line as it was read. */
export interface RecipeLine {
  /** As typed. */
  text: string;
  kind: "steps" | "fact" | "aside";
  /** What it says of the pattern beside its steps. */
  about?: "hook" | "finish";
  /** Ids of the steps that it made. */
  steps: string[];
  /** Ids of the parts that it is about. */
  components: string[];
  marks: LineMark[];
  asks: Ask[];
  /** What was taken as usual because nobody said it. */
  assumed: string[];
  /** What is told without being asked. */
  notes: string[];
}

export interface RecipeReading {
  lines: RecipeLine[];
  recipe: Recipe;
  /** Materials that were described in the same breath; they are not in the cabinet yet. */
  newMaterials: Material[];
  name?: string;
  style?: string;
}

export interface RecipeContext {
  materials: ReadonlyMap<string, Material>;
  hooks: Iterable<KnownHook>;
  numberWords?: Record<string, number>;
  /** The recipe as it was: what no words say is kept from it. */
  was?: Recipe;
  /** Ids of the steps that each line made when it was read before, as far as the line is still the same. */
  stepsOfLine?: (line: number) => readonly string[];
}

/** A text while it is read: its lines as typed and as they are scanned, what was made of them, and the bench. */
export interface Reading {
  readonly lines: string[];
  /** In small letters with plain signs; what was read by the way is blanked. */
  readonly plain: string[];
  readonly heads: LineHead[];
  readonly out: RecipeLine[];
  readonly bench: Bench;
  readonly context: RecipeContext;
  readonly scanContext: ScanContext;
  /** What a line tells, as it was scanned. */
  told(line: number): Told[];
  notesOf(line: number): LineNotes;
}
export const lineOf = (r: Pick<Reading, "out">, i: number): RecipeLine => r.out[i] as RecipeLine;
