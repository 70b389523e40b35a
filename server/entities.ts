import { batchEntities } from "./batches/entities";
import { parcelEntity } from "./box/entities";
import { customerEntity } from "./customers/entities";
import { hookEntities } from "./hooks/entities";
import { requestKeyEntity } from "./http/entities";
import { ledgerEntities } from "./ledger/entities";
import { eventEntity } from "./log/entities";
import { materialEntity } from "./materials/entities";
import { orderEntities } from "./orders/entities";
import { outlookEntity } from "./outlook/entities";
import { patternEntities } from "./recipes/entities";
import { scheduleEntities } from "./schedule/entities";
import { purchasingEntities } from "./purchasing/entities";
import { settingEntity } from "./settings/entities";
import { teamEntities } from "./team/entities";
import { worldVersionEntity } from "./world/entities";

/** Every table and view of the room. */
export const entities = [
  ...teamEntities,
  settingEntity,
  requestKeyEntity,
  eventEntity,
  ...hookEntities,
  materialEntity,
  ...purchasingEntities,
  ...patternEntities,
  customerEntity,
  ...ledgerEntities,
  ...orderEntities,
  ...batchEntities,
  parcelEntity,
  outlookEntity,
  ...scheduleEntities,
  worldVersionEntity,
];
