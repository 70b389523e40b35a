import type { Db } from "../database/rows";
import { fieldProblem, notFound } from "../http/problems";
import { lotEntity, lotPhotoEntity, type LotPhotoRow } from "../ledger";
import { logEvent } from "../log";

type Who = { id: string };

const startsWith = (image: Buffer, bytes: number[], at = 0): boolean => bytes.every((b, i) => image[at + i] === b);
const WEBP = [0x57, 0x45, 0x42, 0x50];

/** What kind of picture it is, by its first bytes, whatever it is called; undefined where it is none that is shown. */
export function mediaTypeOf(image: Buffer): string | undefined {
  if (startsWith(image, [0xff, 0xd8, 0xff])) return "image/jpeg";
  if (startsWith(image, [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])) return "image/png";
  return startsWith(image, [0x52, 0x49, 0x46, 0x46]) && startsWith(image, WEBP, 8) ? "image/webp" : undefined;
}

/** Keeps a picture of a lot in place of the one that is there. */
export async function keepPhoto(db: Db, person: Who, lotId: string, base64: string): Promise<void> {
  const lot = await db.getRepository(lotEntity).findOneBy({ id: lotId });
  if (!lot?.materialCode) throw notFound("lot");
  const image = Buffer.from(base64, "base64");
  const mediaType = mediaTypeOf(image);
  if (!mediaType) throw fieldProblem("Not kept", "image", "That is no picture. Send a JPEG, a PNG or a WebP.");
  const photo: LotPhotoRow = { lotId, at: new Date(), personId: person.id, mediaType, image };
  await db.getRepository(lotPhotoEntity).upsert(photo, ["lotId"]);
  await logEvent(db, person, "stock", lot.materialCode, "photographed", `Took a picture of lot ${lot.code}`);
}

export async function dropPhoto(db: Db, person: Who, lotId: string): Promise<void> {
  const lot = await db.getRepository(lotEntity).findOneBy({ id: lotId });
  const { affected } = await db.getRepository(lotPhotoEntity).delete({ lotId });
  if (!lot?.materialCode || !affected) throw notFound("picture");
  await logEvent(db, person, "stock", lot.materialCode, "photographed", `Took the picture of lot ${lot.code} away`);
}

export async function photoOf(db: Db, lotId: string): Promise<Pick<LotPhotoRow, "mediaType" | "image">> {
  const photo = await db.getRepository(lotPhotoEntity).findOneBy({ lotId });
  if (!photo) throw notFound("picture");
  return photo;
}
