export * from "./catalogue";
export { default as FlyDrawing } from "./FlyDrawing.vue";
export { default as FlyThumb } from "./FlyThumb.vue";
export { default as FlyPicture } from "./FlyPicture.vue";
export { default as MaterialForm } from "./MaterialForm.vue";
export { default as MethodTable } from "./MethodTable.vue";
