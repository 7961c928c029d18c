import * as THREE from "three";
import { BufferTarget, CanvasSource, Mp4OutputFormat, Output } from "mediabunny";
import { body } from "../../src/core/figure/anthropometry";
import { simulate } from "../../src/core/figure/simulate";
import { seeded } from "../../src/core/maths/seeded";
import { GolferMesh } from "./golferMesh";
import { backdrop, ground, noiseTile } from "./textures";
import { pinhole } from "./camera";
import type { ClipSpec } from "./clip";

declare global {
  interface Window {
    render(spec: ClipSpec): Promise<{ base64: string; msPerFrame: number }>;
  }
}

/** Renders a clip frame by frame to H.264 in this page and hands it back as base64 (sound is added outside). */
window.render = async (spec) => {
  const { width, height_px: height, fps } = spec.camera;
  const who = body(spec.golfer.stature, spec.golfer.sex, spec.golfer.build);
  const sim = simulate(who, spec.script);
  const mirror = spec.golfer.hand === "right" ? 1 : -1;

  const renderer = new THREE.WebGLRenderer({ antialias: true, preserveDrawingBuffer: true });
  renderer.setSize(width, height, false);
  renderer.shadowMap.enabled = true;
  renderer.shadowMap.type = THREE.BasicShadowMap;
  const scene = new THREE.Scene();
  stage(scene, spec);
  const golfer = new GolferMesh(who, mirror, spec.outfit);
  scene.add(golfer.group);
  const cam = pinhole(spec);
  const camera = new THREE.PerspectiveCamera((2 * Math.atan(height / 2 / cam.focalPx) * 180) / Math.PI, width / height, 10, 6000);
  camera.matrixAutoUpdate = false;
  const [r, u, f] = cam.axes;
  camera.matrix.makeBasis(new THREE.Vector3(...r), new THREE.Vector3(...u), new THREE.Vector3(-f[0], -f[1], -f[2])).setPosition(...cam.position);
  camera.matrixWorldNeedsUpdate = true;

  const canvas = new OffscreenCanvas(width, height);
  const ctx = canvas.getContext("2d", { alpha: false })!;
  const noise = noiseTile(512, spec.seed);
  const random = seeded(spec.seed + 1);
  const target = new BufferTarget();
  const output = new Output({ format: new Mp4OutputFormat(), target });
  const source = new CanvasSource(canvas, { codec: "avc", bitrate: 24_000_000, keyFrameInterval: 1 });
  output.addVideoTrack(source, { frameRate: fps });
  await output.start();
  const frames = Math.floor(spec.script.duration * fps);
  const began = performance.now();
  for (let i = 0; i < frames; i++) {
    golfer.update(sim.at(i / fps));
    renderer.render(scene, camera);
    ctx.drawImage(renderer.domElement, 0, 0);
    const dx = random.uniform() * 512;
    const dy = random.uniform() * 512;
    for (let x = -dx; x < width; x += 512) for (let y = -dy; y < height; y += 512) ctx.drawImage(noise, x, y);
    await source.add(i / fps, 1 / fps);
  }
  await output.finalize();
  const bytes = new Uint8Array(target.buffer!);
  let binary = "";
  for (let i = 0; i < bytes.length; i += 32768) binary += String.fromCharCode(...bytes.subarray(i, i + 32768));
  renderer.dispose();
  return { base64: btoa(binary), msPerFrame: (performance.now() - began) / frames };
};

function stage(scene: THREE.Scene, spec: ClipSpec): void {
  const outside = spec.place === "range";
  scene.background = new THREE.Color(outside ? "#b8c6cd" : "#8b877c");
  scene.add(new THREE.HemisphereLight("#ffffff", outside ? "#5b6b45" : "#6b6256", outside ? 1.7 : 1.5));
  const sun = new THREE.DirectionalLight("#fff4e0", outside ? 2.2 : 1.5);
  sun.position.set(-180, 480, 260);
  sun.castShadow = true;
  sun.shadow.mapSize.set(1024, 1024);
  Object.assign(sun.shadow.camera, { left: -200, right: 200, top: 250, bottom: -120, near: 50, far: 1200 });
  scene.add(sun);

  const floorMap = spec.place === "range" ? ground("#4d6a35", 22, 11) : spec.place === "hall" ? ground("#8a6a45", 9, 12, true) : ground("#7d7b76", 14, 13);
  floorMap.repeat.set(14, 14);
  const plane = (w: number, d: number, map: THREE.Texture, y: number) => {
    const mesh = new THREE.Mesh(new THREE.PlaneGeometry(w, d), new THREE.MeshLambertMaterial({ map }));
    mesh.rotation.x = -Math.PI / 2;
    mesh.position.y = y;
    mesh.receiveShadow = true;
    scene.add(mesh);
  };
  plane(4000, 4000, floorMap, -0.3);
  const matMap = ground(spec.place === "range" ? "#35604a" : "#3d5c4c", 16, 14);
  matMap.repeat.set(3, 3);
  plane(220, 150, matMap, 0);
  const back = new THREE.Mesh(
    new THREE.PlaneGeometry(outside ? 3600 : 1400, outside ? 1100 : 520),
    new THREE.MeshBasicMaterial({ map: backdrop(spec.place, spec.seed), color: outside ? "#ffffff" : "#c9c4ba" }),
  );
  back.position.set(0, outside ? 330 : 255, outside ? -1700 : -230);
  scene.add(back);
  const ball = new THREE.Mesh(new THREE.SphereGeometry(2.15, 16, 12), new THREE.MeshLambertMaterial({ color: "#fafafa" }));
  ball.position.set(0, 2.15, 82);
  ball.castShadow = true;
  scene.add(ball);
}
