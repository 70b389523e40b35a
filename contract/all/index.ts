import { batchEndpoints } from "../batches";
import { benchEndpoints } from "../bench";
import { bookEndpoints } from "../book";
import { boxEndpoints } from "../box";
import { catalogueEndpoints } from "../catalogue";
import { customerEndpoints } from "../customers";
import { fileEndpoints } from "../files";
import { hookEndpoints } from "../hooks";
import type { AnyEndpoint } from "../http";
import { materialEndpoints } from "../materials";
import { orderEndpoints } from "../orders";
import { patternEndpoints } from "../patterns";
import { purchasingEndpoints } from "../purchasing";
import { scheduleEndpoints } from "../schedule";
import { settingsEndpoints } from "../settings";
import { preparingEndpoints } from "../preparing";
import { stockEndpoints } from "../stock";
import { teamEndpoints } from "../team";

/** Every request that the server answers. */
export const endpoints: AnyEndpoint[] = [
  ...teamEndpoints,
  ...catalogueEndpoints,
  ...patternEndpoints,
  ...hookEndpoints,
  ...orderEndpoints,
  ...customerEndpoints,
  ...fileEndpoints,
  ...batchEndpoints,
  ...materialEndpoints,
  ...preparingEndpoints,
  ...stockEndpoints,
  ...purchasingEndpoints,
  ...scheduleEndpoints,
  ...settingsEndpoints,
  ...benchEndpoints,
  ...boxEndpoints,
  ...bookEndpoints,
];
