export * from "./build";
export * from "./promise";
export * from "./routes";
