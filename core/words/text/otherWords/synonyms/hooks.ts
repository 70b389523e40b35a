import type { Rule } from "../../leftOut";
import { said } from "./said";

/** The line of the hook. */
export const hooks: readonly Rule[] = [
  said(["iron", "hook used", "vice"], "(?<=^\\W*)(?:iron|hook\\s+used)(?=\\s*[:=])", "hook"),
  said(["hook ("], "(?<=^\\W*)hook\\s*\\((\\p{L}[\\p{L}\\s-]{2,20})\\)\\s*[:=]", "hook: $1,"),
  said(
    ["sz", "no.", "nos", "s."],
    "(?<=^\\W*hook(?!\\p{L}).*[\\s,])(?:sz\\.?|nos?\\.?|s\\.)\\s*(?=#?\\d{1,2}(?!\\d))",
    "size ",
  ),
  said(
    ["("],
    "(?<=^\\W*hook\\s*[:=–-][^(]*?)\\s*\\((?:sizes?\\s+)?(\\d{1,2}(?:\\s*(?:-|–|to)\\s*\\d{1,2})?)\\)",
    ", $1",
  ),
];
