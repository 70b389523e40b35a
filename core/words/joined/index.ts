import { withTaken } from "../taken";
import type { Told } from "../told";
import { withCoat, withPiece } from "./coats";
import { withLengthOfBoth } from "./lengthOfBoth";
import { withOfBoth } from "./ofBoth";
import { withOnes, withBothColours } from "./colours";
import { withMixed, withDubbing, withCarrier } from "./dubbed";
import {
  withPartBehind,
  withThreadRib,
  withWireBeside,
  withFurther,
  withLayersTold,
  withTurnsOf,
  withTurnsOfIt,
} from "./further";
import { withOver, withUnder, withLayers, withWetUnder } from "./layers";
import { withRibOver } from "./heldBy";
import { withFoldedOver } from "./foldedOver";
import { withLegsOf } from "./legsOf";
import { withOneKnot } from "./oneKnot";
import { withOneOfEach } from "./oneOfEach";
import { withTopAndBelow } from "./topAndBelow";
import { withRetracted } from "./retracted";
import { withOnlyItsPlace, withTiedForLater, withWoundLater, withDubbedLater, withPulledLater } from "./once";
import { withAnotherOne } from "./another";
import { withThreadLay } from "./threadLay";
import { withStop } from "./stopped";
import { withLiquidOver } from "./liquidOver";
import { withSinged } from "./singed";
import { withSharesOfColour } from "./sharesOfColour";
import { withSilkUnder } from "./onSilk";
import { withBodyThenOn } from "./thenOn";
import { withTakenUp } from "./takenUp";
import { withVarnish } from "./varnished";
import { withTwisted, withNamedAhead, withRopeOfTwo, withThreadIn } from "./twisted";

/** What one line tells in several clauses, with those put together that tell of one thing. */
export const joined = (all: Told[], text: string): Told[] => passes().reduce((told, pass) => pass(told, text), all);

/** One after the other: what is taken back first, then what is of one thing, then what is done with it. */
const passes = (): ((all: Told[], text: string) => Told[])[] => [
  withRetracted,
  withRopeOfTwo,
  withThreadIn,
  withSilkUnder,
  withThreadRib,
  withWireBeside,
  withStop,
  withOneKnot,
  withThreadLay,
  withAnotherOne,
  withVarnish,
  withSinged,
  withLiquidOver,
  withRibOver,
  withFoldedOver,
  withTurnsOfIt,
  withLayersTold,
  withTakenUp,
  withCoat,
  withTiedForLater,
  withOnlyItsPlace,
  withWoundLater,
  withDubbedLater,
  withPulledLater,
  withPiece,
  withOnes,
  withLegsOf,
  withOneOfEach,
  withTopAndBelow,
  withBothColours,
  withSharesOfColour,
  withUnder,
  withWetUnder,
  withOfBoth,
  withLengthOfBoth,
  withBodyThenOn,
  withMixed,
  withLayers,
  withDubbing,
  withCarrier,
  withTwisted,
  withNamedAhead,
  withPartBehind,
  withTaken,
  withFurther,
  withTurnsOf,
  withOver,
];
