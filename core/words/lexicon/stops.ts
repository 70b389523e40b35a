import { match } from "../parse";
import { FILLER } from "./filler";
import { MANNER } from "./manner";

const stops = match(
  `${FILLER}|${MANNER}|turns?|wraps?|layers?|coats?|drops?|touching|touch[- ]dubbed|overlapping|open|twisted|folded|doubled|length|lengths|behind|front|rear|between|before|after|reaching|past|beyond|short|equal|wound|tied|bound|laid|trimmed|cut|clump|bunch|pinch|noodle|loop|tips?|butts?|slips?|pairs?|prs?|pieces?|strands?|fibres?|or|either|few|couple|several|pinch|wisps?|tufts?|sprigs?|bunch(?:es)?|another|same|something|rest|remainder|some|itself|tie|wind|wrap|run|catch|dub|spin|rib|palmer(?:ed)?|pull|fold|brush|trim|whip|half|twice|none|no|nothing|something|(?:rear|back|hind|front|first|last|middle|mid|centre|center)\\s+(?:half|third|quarter|two\\s+thirds)`,
);
/** Whether a word ends a description: no name of a material goes on over it. */
export const isStop = (text: string, at: number): boolean => stops(text, at) !== undefined;
