import type { AnyEndpoint } from "@kasten/contract/http";

const escape = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[c] ?? c);

/** The API as a page to read: every request with who may make it, by room. The full description is openapi.json. */
export function docsPage(endpoints: AnyEndpoint[]): string {
  const rooms = [...new Set(endpoints.map((e) => e.room))];
  const table = (room: string) => {
    const rows = endpoints
      .filter((e) => e.room === room)
      .map(
        (e) =>
          `<tr><th scope="row"><code>${e.method.toUpperCase()} /api${escape(e.path)}</code></th><td>${escape(e.summary)}</td><td>${escape(e.permission)}</td></tr>`,
      );
    return `<h2>${escape(room)}</h2><table><thead><tr><th scope="col">Request</th><th scope="col">What it does</th><th scope="col">Permission</th></tr></thead><tbody>${rows.join("")}</tbody></table>`;
  };
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Kasten API</title><link rel="stylesheet" href="/api/docs.css"></head><body><main>
<h1>Kasten API</h1>
<p>JSON over HTTP. The machine-readable description is <a href="/api/openapi.json">openapi.json</a> (OpenAPI 3.1).</p>
<p>Every change carries an <code>Idempotency-Key</code> header; sent twice, it happens once. Rows that people edit carry a <code>version</code>; a stale one is refused with what changed.
Refusals are problem details (<code>application/problem+json</code>): a stable <code>type</code>, a sentence in <code>detail</code>, and the <code>path</code> of each wrong field in <code>errors</code>.</p>
<p>Live updates are server-sent events at <code>GET /api/live</code>. The materials of a batch as CSV: <code>GET /api/batches/:id/materials.csv</code>.</p>
${rooms.map(table).join("")}</main></body></html>`;
}

export const docsStyle = `body{font:16px/1.5 system-ui,sans-serif;margin:0;color:#1b2a2b;background:#f3f5f1}main{max-width:62rem;margin:2rem auto;padding:0 1.5rem}table{width:100%;border-collapse:collapse}th,td{text-align:left;padding:.35rem .6rem;border-bottom:1px solid #c9d2cc;vertical-align:top;font-weight:400}code{font-size:.9em}h2{text-transform:capitalize;margin-top:2rem}a{color:#0f5257}
@media (prefers-color-scheme:dark){body{color:#dfe7e3;background:#11191a}th,td{border-color:#33433f}a{color:#7fd0c4}}`;
