export * from "./catalogue";
export { default as FlyDrawing } from "./FlyDrawing.vue";
