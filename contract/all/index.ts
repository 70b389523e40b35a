import { batchEndpoints } from "../batches";
import { benchEndpoints } from "../bench";
import { bookEndpoints } from "../book";
import { boxEndpoints } from "../box";
import { hookEndpoints } from "../hooks";
import type { AnyEndpoint } from "../http";
import { materialEndpoints } from "../materials";
import { orderEndpoints } from "../orders";
import { patternEndpoints } from "../patterns";
import { scheduleEndpoints } from "../schedule";
import { stockEndpoints } from "../stock";
import { teamEndpoints } from "../team";

/** Every request that the server answers. */
export const endpoints: AnyEndpoint[] = [
  ...teamEndpoints,
  ...patternEndpoints,
  ...hookEndpoints,
  ...orderEndpoints,
  ...batchEndpoints,
  ...materialEndpoints,
  ...stockEndpoints,
  ...scheduleEndpoints,
  ...benchEndpoints,
  ...boxEndpoints,
  ...bookEndpoints,
];
