import { useEffect, useRef, useState } from 'react';
import {
  AmbientLight,
  Color,
  DirectionalLight,
  DoubleSide,
  ExtrudeGeometry,
  Group,
  LatheGeometry,
  Mesh,
  MeshStandardMaterial,
  PerspectiveCamera,
  Scene,
  Shape,
  Vector2,
  WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import { useLook } from './looks';
import { pointsOf, runsOf, type Element, type Profile } from './outline';

const COLOURS: Record<Element['part'], string> = {
  cutting: '#C9B27A',
  body: '#D9D2BF',
  neck: '#B9BEC2',
  shank: '#AEB4B9',
  extension: '#959DA4',
  holder: '#7D868E',
};

/** The profile turned about its axis, or a flat one given thickness, to be turned with the mouse or the arrow keys. */
export default function SolidView({ profile, label }: { profile: Profile; label: string }) {
  const { paper } = useLook().palette;
  const host = useRef<HTMLDivElement>(null);
  const [possible] = useState(() => document.createElement('canvas').getContext('webgl2') !== null);

  useEffect(() => {
    const element = host.current;
    if (!element) return;
    const renderer = new WebGLRenderer({ antialias: true });
    const scene = new Scene();
    scene.background = new Color(paper);
    const solid = solidOf(profile);
    scene.add(solid, new AmbientLight('#ffffff', 1.6));
    for (const [x, y, z, strength] of [
      [1, 2, 2, 2.2],
      [-2, 1, -1, 0.9],
    ] as const) {
      const light = new DirectionalLight('#ffffff', strength);
      light.position.set(x, y, z);
      scene.add(light);
    }
    const size = Math.max(profile.length, profile.girth, 1);
    const camera = new PerspectiveCamera(32, 1, size / 100, size * 20);
    const controls = new OrbitControls(camera, renderer.domElement);
    controls.listenToKeyEvents(element);
    controls.keyPanSpeed = 30;
    const paint = () => renderer.render(scene, camera);
    let turned = false;
    controls.addEventListener('start', () => (turned = true));
    controls.addEventListener('change', paint);
    const fit = new ResizeObserver(() => {
      const { clientWidth, clientHeight } = element;
      renderer.setPixelRatio(window.devicePixelRatio);
      renderer.setSize(clientWidth, clientHeight);
      camera.aspect = clientWidth / Math.max(1, clientHeight);
      camera.updateProjectionMatrix();
      if (!turned) {
        // As near as the whole tool allows, a little from above and from the tip.
        const tall = Math.tan((camera.fov * Math.PI) / 360);
        const away = Math.max(profile.length / 2 / (tall * camera.aspect), profile.girth / 2 / tall) * 1.25 + profile.girth / 2;
        camera.position.set(-0.45 * away, 0.35 * away, 0.85 * away);
        camera.lookAt(0, 0, 0);
      }
      paint();
    });
    fit.observe(element);
    element.append(renderer.domElement);
    paint();
    element.dataset.painted = 'true';
    return () => {
      fit.disconnect();
      controls.dispose();
      renderer.domElement.remove();
      renderer.dispose();
      solid.traverse((o) => {
        if (o instanceof Mesh) (o as Mesh).geometry.dispose();
      });
    };
  }, [profile, paper]);

  if (!possible) return <p className="muted hint">This browser cannot show three dimensions; the drawing beside it has everything.</p>;
  return <div ref={host} className="solid" tabIndex={0} role="img" aria-label={`${label} in three dimensions; drag to turn it`} />;
}

function solidOf(profile: Profile): Group {
  // The axis lies across the picture, tip to the left.
  const group = new Group();
  group.rotation.z = -Math.PI / 2;
  for (const run of runsOf(profile)) {
    const material = new MeshStandardMaterial({ color: COLOURS[run[0]!.part], metalness: 0.35, roughness: 0.45, side: DoubleSide });
    const first = run[0]!;
    const points: [number, number][] = [[first.fromZ, first.fromR], ...run.flatMap((e) => pointsOf(e))];
    if (profile.shape === 'revolved') {
      // A lathe turns about the upright axis: radius across, the tip below.
      group.add(
        new Mesh(
          new LatheGeometry(
            points.map(([z, r]) => new Vector2(Math.max(r, 0), z - profile.length / 2)),
            72,
          ),
          material,
        ),
      );
    } else {
      const shape = new Shape(points.map(([z, r]) => new Vector2(r, z - profile.length / 2)));
      const thickness = first.part === 'cutting' ? profile.girth * 0.12 : profile.girth * 0.4;
      const mesh = new Mesh(new ExtrudeGeometry(shape, { depth: thickness, bevelEnabled: false }), material);
      mesh.position.z = first.part === 'cutting' ? 0 : -thickness * 0.7;
      group.add(mesh);
    }
  }
  return group;
}
