import { expose } from "comlink";
import { orderReader } from "./orderReader";

expose(orderReader);
