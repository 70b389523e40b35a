export * from "./entities";
export * from "./queries";
export * from "./routes";
export * from "./service";
export { standingOrders } from "./standing";
