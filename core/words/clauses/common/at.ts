import { map, seq, words, oneOf } from "../../parse";
import { place, placeReached, whereItIs, placeBeside, shareFrom, thirdBack } from "../../text/place";
import { type Said, type Clause, clause } from "../../said";
import type { Place } from "../../../hooks";
import { intoBend } from "./zone";

const besides = map(
  seq(
    words(
      "(?:right\\s+|just\\s+|close\\s+)?(?:at|near|by|on|in|(?:up\\s+)?against(?=\\s+(?:the\\s+)?(?:wing\\s+)?(?:post|bead|eyes?|wing)\\b)|(?:back\\s+|forward\\s+)?over|above|around|beside|round)",
    ),
    oneOf(place, placeReached),
  ),
  ([, p]) => p,
);

const setThere = (s: Said, p: Place): boolean | void => {
  if (s.there === undefined) {
    s.there = p;
    return;
  }
  // “brought over the eyes and tied down behind the hook eye”: the way, and then where it is held.
  const isWay = "part" in s.there && s.there.end === "middle";
  if (!isWay || s.tieIn !== undefined || s.attitude !== "over") return false;
  s.tieIn = { at: p };
};

export const at: Clause = clause("at the bend", oneOf(intoBend, whereItIs, besides, place), setThere);

/** Where a figure alone is a length, a place says “at”, “behind” or “in front of”. */
export const atSaid: Clause = clause(
  "at the bend",
  oneOf(
    intoBend,
    whereItIs,
    besides,
    placeBeside,
    shareFrom,
    thirdBack,
    map(words("half-?\\s?way\\s+(?:along|down|up)\\s+the\\s+(?:hook\\s+)?shank(?!\\s+(?:long|length))"), (): Place => ({
      fraction: 0.5,
    })),
  ),
  setThere,
);
