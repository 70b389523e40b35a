export { default as FaceOfRoom } from "./FaceOfRoom.vue";
