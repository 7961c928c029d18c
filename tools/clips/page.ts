import * as THREE from "three";
import { pinhole } from "./camera";
import type { ClipSpec } from "./clip";
import { stage } from "./stage";

declare global {
  interface Window {
    background(spec: ClipSpec, width: number, height: number): string;
  }
}

/**
 * What stands still in a clip, drawn once: RGB bytes as base64, the picture's middle kept, `width`
 * × `height` px.
 */
window.background = (spec, width, height) => {
  const renderer = new THREE.WebGLRenderer({ antialias: true, preserveDrawingBuffer: true });
  renderer.setPixelRatio(1);
  renderer.setSize(width, height, false);
  renderer.shadowMap.enabled = true;
  const scene = new THREE.Scene();
  const lens = pinhole(spec);
  stage(scene, spec, lens.axes[2]);
  const camera = new THREE.PerspectiveCamera(
    (2 * Math.atan(height / 2 / lens.focalPx) * 180) / Math.PI,
    width / height,
    10,
    6000,
  );
  camera.matrixAutoUpdate = false;
  const [r, u, f] = lens.axes;
  camera.matrix
    .makeBasis(
      new THREE.Vector3(...r),
      new THREE.Vector3(...u),
      new THREE.Vector3(-f[0], -f[1], -f[2]),
    )
    .setPosition(...lens.position);
  camera.matrixWorldNeedsUpdate = true;
  renderer.render(scene, camera);
  const gl = renderer.getContext();
  const rgba = new Uint8Array(width * height * 4);
  gl.readPixels(0, 0, width, height, gl.RGBA, gl.UNSIGNED_BYTE, rgba);
  const rgb = new Uint8Array(width * height * 3);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      for (let k = 0; k < 3; k++)
        rgb[(y * width + x) * 3 + k] = rgba[((height - 1 - y) * width + x) * 4 + k]!;
  renderer.dispose();
  renderer.forceContextLoss();
  let binary = "";
  for (let i = 0; i < rgb.length; i += 32768)
    binary += String.fromCharCode(...rgb.subarray(i, i + 32768));
  return btoa(binary);
};
