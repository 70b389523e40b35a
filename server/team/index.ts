export * from "./people";
export * from "./routes";
