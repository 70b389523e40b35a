export * from "./build";
export * from "./frame";
export * from "./promise";
export * from "./routes";
