import { useStorage } from "@vueuse/core";
import { computed, ref } from "vue";
import { inSystem, lengthFigure as figureIn, sayMm, type LengthSystem } from "@kasten/core/units";

const chosen = useStorage<LengthSystem | "">("kasten.units", "");
const usual = ref<LengthSystem>("mm");
/** What the room's settings say, for whoever has not chosen on this device. */
export const tellUnits = (said: LengthSystem): void => {
  usual.value = said;
};
/** Millimetres or inches, as this device's reader wants them; everything is computed and kept in millimetres. */
export const units = computed<LengthSystem>({
  get: () => chosen.value || usual.value,
  set: (now) => {
    chosen.value = now;
  },
});

/** A length in the reader's unit, without the unit's word. */
export const lengthFigure = (mm: number, digits = 1): string => figureIn(mm, units.value, digits);

/** A length in the reader's unit. */
export const length = (mm: number, digits = 1): string => sayMm(mm, units.value, digits);

/** Quantities in a text, in the units of the reader. */
export const inReadersUnits = (words: string): string => inSystem(words, units.value);
