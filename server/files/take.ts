import type { takeInFile } from "@kasten/contract/files";
import type { BodyOf, ReplyOf } from "@kasten/contract/http";
import type { Db } from "../database/rows";
import { Problem } from "../http/problems";
import { logEvent } from "../log";
import { look } from "./look";
import type { Who } from "./reader";

const refuse = (detail: string) => new Problem("import-refused", "Nothing was taken in", detail);

/** Takes in a file as its preview said: in one transaction, all of it or nothing. */
export async function take(db: Db, person: Who, body: BodyOf<typeof takeInFile>): Promise<ReplyOf<typeof takeInFile>> {
  const { judged, preview, reader } = await look(db, body);
  const { counts, missing, unclear } = preview;
  if (missing.length > 0) throw refuse(`Say which column is ${missing.join(", ")}.`);
  if (unclear !== null)
    throw refuse(`“${unclear}” could be read either way. Say whether decimals have a point or a comma.`);
  if (JSON.stringify(counts) !== JSON.stringify(body.expects))
    throw new Problem(
      "changed-meanwhile",
      "Nothing was taken in",
      "The room has changed since the preview was made. Look at the lines again, then take them in.",
    );
  if (counts.wrong > 0 && !body.leaveWrong)
    throw refuse(`${counts.wrong} of the lines are not right. Mend them in the file, or say that they are left out.`);
  for (const j of judged) await j.take?.(db, person);
  await reader.finish?.(db, person);
  const taken = counts.new + counts.changes;
  if (taken > 0)
    await logEvent(
      db,
      person,
      "room",
      body.kind,
      "taken in",
      `Took in ${taken} lines of ${body.kind} from ${body.name}`,
    );
  return { taken, left: counts.wrong + counts.same };
}
