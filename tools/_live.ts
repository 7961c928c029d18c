import v8 from "node:v8";
v8.setFlagsFromString("--experimental-wasm-relaxed-simd");
const { loadNodeNetwork, openClipFile } = await import("../src/vision/node/loadNode");
const { runCamera } = await import("./study/runningCamera");
const { LiveReader } = await import("../src/vision/live/liveReader");
const P = LiveReader.prototype as unknown as Record<string, (...a: unknown[]) => unknown>;
for (const name of ["hold", "leave", "lose"]) { const old = P[name]!; P[name] = function (this: { looks: { t: number }[]; place: { square: unknown } | null; square: unknown }) { const t = this.looks.at(-1)?.t; old.call(this); console.log("  ", name, t, JSON.stringify(this.place?.square ?? this.square)); }; }
const [file, pace, from, to] = process.argv.slice(2);
const net = await loadNodeNetwork();
const clip = await openClipFile(file!);
const orig = clip.pictures.bind(clip);
clip.pictures = async function* () { for await (const p of orig(Number(from ?? 0) * 1000, Number(to ?? 1e6) * 1000)) yield { timeMs: p.timeMs - Number(from ?? 0) * 1000, cut: p.cut }; } as never;
const ran = await runCamera(clip, net, { drill: "double-step", golfer: { statureCm: 170, hand: "right" }, reps: 10, pace: Number(pace ?? 0.4) });
for (const s of ran.said) console.log((s.t / 1000).toFixed(2), s.what);
for (const a of ran.answered) console.log((a.about / 1000).toFixed(2), a.rep.verdict!.result, a.rep.verdict!.cue?.words ?? a.rep.verdict!.reason?.message ?? "", "deciding→answer", a.deciding && Math.round(a.answeredAt - a.deciding), "read", a.track.read ? a.track.read.reduce((x, y) => x + y, 0) + "/" + a.track.times.length : "all", JSON.stringify(Object.fromEntries(Object.entries(a.rep.events).map(([k, v]) => [k, Math.round(a.trackFrom + v.t)]))));
process.exit(0);
