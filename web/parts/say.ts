/** Tells in passing that something was done. What shows it comes when it is first needed. */
export const say = (sentence: string): void => void import("vue-sonner").then(({ toast }) => toast(sentence));
