import { First1700000000001 } from "./0001";
import { Second1700000000002 } from "./0002";
import { Third1700000000003 } from "./0003";
import { Fourth1700000000004 } from "./0004";
import { Fifth1700000000005 } from "./0005";
import { Sixth1700000000006 } from "./0006";
import { Seventh1700000000007 } from "./0007";
import { Eighth1700000000008 } from "./0008";
import { Ninth1700000000009 } from "./0009";
import { Tenth1700000000010 } from "./0010";
import { Eleventh1700000000011 } from "./0011";
import { Twelfth1700000000012 } from "./0012";
import { Thirteenth1700000000013 } from "./0013";
import { Fourteenth1700000000014 } from "./0014";
import { Fifteenth1700000000015 } from "./0015";
import { Sixteenth1700000000016 } from "./0016";

/** In the order in which they are run; none is ever changed once it has been released. */
export const migrations = [
  First1700000000001,
  Second1700000000002,
  Third1700000000003,
  Fourth1700000000004,
  Fifth1700000000005,
  Sixth1700000000006,
  Seventh1700000000007,
  Eighth1700000000008,
  Ninth1700000000009,
  Tenth1700000000010,
  Eleventh1700000000011,
  Twelfth1700000000012,
  Thirteenth1700000000013,
  Fourteenth1700000000014,
  Fifteenth1700000000015,
  Sixteenth1700000000016,
];
