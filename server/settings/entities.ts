import { EntitySchema } from "typeorm";
import { jsonb, text } from "../database/columns";

export interface SettingRow {
  key: string;
  value: unknown;
}

export const settingEntity = new EntitySchema<SettingRow>({
  name: "setting",
  columns: { key: text({ primary: true }), value: jsonb() },
});
