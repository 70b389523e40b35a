import { readRecipe, type RecipeReading } from "@kasten/core/words";
import { readDraft, type Draft, type Room } from "./draft";

/** What is read first takes many times as long as what follows: this is read before somebody types. */
const WARMING = `A fly to begin with
Hook: nymph, sizes 10 to 14, 2x long
Thread: brown 8/0, start it behind the eye and wind in touching turns to the bend
Slide a 3 mm gold bead onto the hook and add ten turns of 0.4 mm lead wire, pushed into the bead
Tail: 6 brown hackle fibres, half the shank long
Rib: fine copper wire, 5 turns, tied in under the body
Body: dubbed hare's fur, tapered, to two thirds of the shank
Tie in a slip of turkey tail for the wing case, shiny side down
Thorax: peacock herl, 3 strands, then pull the wing case over and tie it off
Wind the hackle in three open turns in front of the wing and trim it level with the point below
Legs: a pinch of partridge on each side, as long as the body
Build a small head, whip finish and two coats of varnish`;

let room: Room | undefined;
/** What reads recipes in a thread of its own. */
export const recipeReader = {
  /** @param given the cabinet, the hooks and the words of the room, before anything is read with them */
  load(given: Room): void {
    room = given;
    readRecipe(WARMING, given);
  },
  /** @param draft as it is kept: JSON, since what a page watches cannot be handed over */
  read(draft: string): RecipeReading {
    if (!room) throw new Error("No room has been given to read recipes with.");
    return readDraft(JSON.parse(draft) as Draft, room);
  },
};
