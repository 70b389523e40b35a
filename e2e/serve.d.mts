/** A running application on a database of its own. */
export interface Room {
  base: string;
  database: string;
  stop: () => Promise<void>;
}
export function asAdmin(...statements: string[]): Promise<void>;
export function makeTemplate(name: string): Promise<void>;
export function openRoom(name: string, template: string): Promise<Room>;
export function openEmptyRoom(name: string): Promise<Room & { link: string }>;
