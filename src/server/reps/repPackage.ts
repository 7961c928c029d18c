import { createHash } from "node:crypto";
import { Readable } from "node:stream";
import { configure, TextReader, Uint8ArrayReader, ZipWriter } from "@zip.js/zip.js";
import { insolesCsv, measuresCsv, repManifest, type RepManifest } from "../../core/formats";
import { fromRows } from "../../core/practice";
import { blobSize, readBlob, type BlobKind } from "../blobs/blobs";
import type { RepDetail } from "./queries";

configure({ useWebWorkers: false });

const ENDING = /\.(mp4|mov|m4v|webm)$/i;

/**
 * A rep as one ZIP: `rep.json`, `measures.csv`, the track, what insoles measured where they did,
 * and the film where it was kept. @returns begins to write it, while it is read
 */
export async function repPackage(
  rep: RepDetail,
): Promise<(gone?: AbortSignal) => ReadableStream<Uint8Array>> {
  const wanted: { name: string; kind: BlobKind; sha256: string }[] = [
    { name: "rep.track", kind: "tracks", sha256: rep.trackSha256 },
    {
      name: `film${ENDING.exec(rep.clip.name)?.[0].toLowerCase() ?? ".mp4"}`,
      kind: "clips",
      sha256: rep.clip.sha256,
    },
  ];
  const files = (
    await Promise.all(wanted.map(async (w) => ({ ...w, bytes: await blobSize(w.kind, w.sha256) })))
  ).flatMap((f) => (f.bytes === null ? [] : [{ ...f, bytes: f.bytes }]));
  const insoles = rep.insoles && Buffer.from(insolesCsv(fromRows(rep.insoles.rows)));
  const listed = [
    ...files.map(({ name, sha256, bytes }) => ({ name, sha256, bytes })),
    ...(insoles
      ? [
          {
            name: "insoles.csv",
            sha256: createHash("sha256").update(insoles).digest("hex"),
            bytes: insoles.length,
          },
        ]
      : []),
  ];
  const manifest = manifestOf(rep, listed);
  const at = new Date(rep.boutStartedAt);
  const csv = measuresCsv([
    {
      rep: rep.id,
      bout: at.toISOString(),
      drill: rep.drillId,
      stage: rep.stage?.id ?? null,
      at: at.toISOString(),
      measures: rep.measures,
      verdict: rep.verdict,
    },
  ]);
  return (signal) => {
    const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>();
    const zip = new ZipWriter(writable, { lastModDate: at });
    void (async () => {
      await zip.add("rep.json", new TextReader(`${JSON.stringify(manifest, null, 1)}\n`));
      await zip.add("measures.csv", new TextReader(csv));
      if (insoles) await zip.add("insoles.csv", new Uint8ArrayReader(insoles));
      // Film is compressed as it is.
      for (const f of files)
        await zip.add(
          f.name,
          Readable.toWeb(readBlob(f.kind, f.sha256)) as ReadableStream<Uint8Array>,
          { level: f.kind === "clips" ? 0 : 6, ...(signal ? { signal } : {}) },
        );
      await zip.close();
    })().catch((error: unknown) => writable.abort(error).catch(() => undefined));
    return readable;
  };
}

function manifestOf(rep: RepDetail, files: RepManifest["files"]): RepManifest {
  const { stage } = rep;
  return repManifest.parse({
    format: "kingfisher-rep",
    schema: 1,
    algorithm: rep.algorithm,
    rep: {
      id: rep.id,
      number: rep.number,
      boutStartedAt: new Date(rep.boutStartedAt).toISOString(),
      place: rep.place,
      hand: rep.hand,
      statureCm: rep.statureCm,
      captureFps: rep.captureFps,
      live: rep.live,
      index: rep.index,
      from: rep.from,
      to: rep.to,
    },
    drill:
      stage && rep.drillId
        ? {
            id: rep.drillId,
            name: rep.drill ?? rep.drillId,
            stage: stage.id,
            view: stage.view,
            checks: stage.checks.map(({ id, name, measure, band, level }) => ({
              id,
              name,
              measure,
              band,
              level,
            })),
          }
        : null,
    problems: rep.problems,
    events: rep.events,
    measures: rep.measures,
    verdict: rep.verdict,
    corrections: rep.corrections,
    series: rep.series,
    insoles: rep.insoles && { from: rep.insoles.fileName, r: rep.insoles.r },
    files,
  } satisfies Record<keyof RepManifest, unknown>);
}
