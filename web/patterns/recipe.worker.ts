import { expose } from "comlink";
import { recipeReader } from "./recipeReader";

expose(recipeReader);
