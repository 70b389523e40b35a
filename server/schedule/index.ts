export * from "./build";
export * from "./frame";
export * from "./plan";
export * from "./promise";
