/** A key that belongs to the field or button it was pressed in, not to the bench. */
export const isInField = (e: KeyboardEvent): boolean =>
  e.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT|BUTTON|A|SUMMARY)$/.test(e.target.tagName);
