export { seasonRoutes } from "./routes";
