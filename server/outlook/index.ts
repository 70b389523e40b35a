export * from "./entities";
export * from "./outlook";
export { tellParts } from "./queries";
export * from "./reckon";
export * from "./routes";
export * from "./work";
