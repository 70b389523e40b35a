export const roles = ["owner", "tier", "shop"] as const;
export type Role = (typeof roles)[number];

/** Who may do what: the whole of it, in one table. "anyone" needs no sign-in. */
export const permissions = {
  anyone: ["owner", "tier", "shop"],
  "see the room": ["owner", "tier", "shop"],
  "write orders": ["owner", "shop"],
  "make up batches": ["owner", "tier"],
  "plan the work": ["owner", "tier"],
  "handle stock": ["owner", "tier", "shop"],
  "tie and tally": ["owner", "tier"],
  "box and send": ["owner", "shop", "tier"],
  "measure hooks": ["owner", "tier"],
  "write patterns": ["owner", "tier"],
  "manage people": ["owner"],
  "set up the room": ["owner"],
} as const satisfies Record<string, readonly Role[]>;
export type Permission = keyof typeof permissions;

export const mayDo = (role: Role, permission: Permission): boolean =>
  (permissions[permission] as readonly Role[]).includes(role);

/** Whom to ask, for the screen that says no. */
export const whoMay = (permission: Permission): string =>
  permissions[permission].map((r) => (r === "tier" ? "a tier" : r === "shop" ? "the shop" : "the owner")).join(" or ");
