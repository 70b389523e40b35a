export * from "./ledger";
export * from "./routes";
