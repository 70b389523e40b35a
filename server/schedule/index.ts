export * from "./build";
export * from "./draft";
export * from "./entities";
export * from "./frame";
export * from "./knowledge";
export * from "./plan";
export * from "./promise";
export { keepLateBy } from "./queries";
export * from "./versions";
