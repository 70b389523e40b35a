export { default as CodeField } from "./CodeField.vue";
export type { TextMark, TextOffer, TextOffers, TextQuestion } from "./types";
