import type { MigrationInterface, QueryRunner } from "typeorm";

/**
 * Hooks with gape, points, eye and near equivalents; weighed sizes; notes on pattern versions; what differs on a batch.
 */
export class Second1700000000002 implements MigrationInterface {
  name = "Second1700000000002";

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(columns);
    await this.openAlternates(runner);
  }

  /** Alternates were material codes; they now carry what they change. */
  private async openAlternates(runner: QueryRunner): Promise<void> {
    const versions = (await runner.query("SELECT pattern_id, version, recipe FROM pattern_version")) as {
      pattern_id: string;
      version: number;
      recipe: { components: { alternates?: (string | object)[] }[] };
    }[];
    for (const v of versions) {
      if (!v.recipe.components.some((c) => c.alternates?.some((a) => typeof a === "string"))) continue;
      for (const c of v.recipe.components)
        if (c.alternates) c.alternates = c.alternates.map((a) => (typeof a === "string" ? { material: a } : a));
      await runner.query("UPDATE pattern_version SET recipe = $3 WHERE pattern_id = $1 AND version = $2", [
        v.pattern_id,
        v.version,
        JSON.stringify(v.recipe),
      ]);
    }
  }

  async down(): Promise<void> {
    throw new Error("This migration is not undone: restore a backup instead.");
  }
}

const columns = `
-- What tells nothing new of a yield has no computed figure beside it.
ALTER TABLE batch_use ALTER computed DROP NOT NULL;
ALTER TABLE hook_model
  ADD gape_steps int NOT NULL DEFAULT 0, ADD points int NOT NULL DEFAULT 1 CHECK (points IN (1, 2)), ADD eye_form text NOT NULL DEFAULT 'turned down',
  ADD finish text NOT NULL DEFAULT '', ADD wire_reason text NOT NULL DEFAULT '', ADD near jsonb NOT NULL DEFAULT '[]', ADD CHECK (bend IN ('round', 'curved'));
ALTER TABLE hook_size ADD mass_ug int CHECK (mass_ug > 0);
ALTER TABLE pattern_version ADD note text NOT NULL DEFAULT '';
ALTER TABLE batch ADD methods jsonb NOT NULL DEFAULT '{}', ADD leave jsonb NOT NULL DEFAULT '[]', ADD use jsonb NOT NULL DEFAULT '{}';`;
