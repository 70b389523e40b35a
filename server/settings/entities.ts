import { EntitySchema } from "typeorm";
import { jsonb, text, version } from "../database/columns";

export interface SettingRow {
  key: string;
  value: unknown;
  version: number;
}

export const settingEntity = new EntitySchema<SettingRow>({
  name: "setting",
  columns: { key: text({ primary: true }), value: jsonb(), version },
});
