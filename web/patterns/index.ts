import { defineAsyncComponent } from "vue";

export * from "./catalogue";
export { default as FlyDrawing } from "./FlyDrawing.vue";
export { default as FlyThumb } from "./FlyThumb.vue";
export { default as AskedNote } from "./AskedNote.vue";
/** It comes when it is needed: few batches have something to tell of their hook. */
export const HookNote = defineAsyncComponent(() => import("./HookNote.vue"));
export { default as FlyPicture } from "./FlyPicture.vue";
/** Large, and not what a screen begins with: they come when they are there to be shown. */
export const MaterialForm = defineAsyncComponent(() => import("./MaterialForm.vue"));
export const TakenAway = defineAsyncComponent(() => import("./TakenAway.vue"));
export const MethodTable = defineAsyncComponent(() => import("./MethodTable.vue"));
