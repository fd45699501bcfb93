import {
    BoxGeometry,
    Box3,
    CanvasTexture,
    Color,
    DirectionalLight,
    Group,
    HemisphereLight,
    LineCurve3,
    Matrix4,
    Mesh,
    MeshLambertMaterial,
    PerspectiveCamera,
    QuadraticBezierCurve3,
    Raycaster,
    Scene,
    Sprite,
    SpriteMaterial,
    SRGBColorSpace,
    TubeGeometry,
    Vector2,
    Vector3,
    WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import type { Point } from '../../api/types';
import type { Slab, Solids, Tube } from './solids';

/** The picture of a model: it is drawn when something moves, and not otherwise. */
export interface Stage {
    show: (solids: Solids, selected: string | null) => void;
    resize: (width: number, height: number) => void;
    /** by degrees round and up, and by a factor nearer */
    move: (round: number, up: number, nearer: number) => void;
    end: () => void;
}

/** Metres, y up, z to the south. */
const v = (p: Point): Vector3 => new Vector3(p.x / 1000, p.z / 1000, -p.y / 1000);

const token = (name: string): Color =>
    new Color(getComputedStyle(document.documentElement).getPropertyValue(name).trim() || '#888888');

/** The colour of a material is that of its pipe in every drawing. */
const colourOf = ({ material }: Tube): Color =>
    token(
        material.startsWith('abs')
            ? '--abs-2'
            : material.startsWith('ci')
              ? '--ci'
              : material.startsWith('clay')
                ? '--clay'
                : /steel|copper|brass/.test(material)
                  ? '--steel'
                  : '--pvc-2',
    );

/**
 * Sets a stage up on a canvas. Throws where the browser has no WebGL.
 *
 * @param onPick takes the run and the key of what was clicked
 */
export function stageOn(canvas: HTMLCanvasElement, onPick: (run: string, key: string) => void): Stage {
    const renderer = new WebGLRenderer({ canvas, antialias: true, alpha: true });
    const scene = new Scene();
    const camera = new PerspectiveCamera(35, 1, 0.01, 500);
    const controls = new OrbitControls(camera, canvas);
    controls.enableDamping = false;
    let model = new Group();
    scene.add(model, new HemisphereLight('#ffffff', '#8a8272', 1.1));
    const sun = new DirectionalLight('#ffffff', 2.2);
    camera.add(sun);
    sun.position.set(-1, 2, 3);
    scene.add(camera);
    const draw = (): void => renderer.render(scene, camera);
    controls.addEventListener('change', draw);
    let framed = '';

    const frame = (): void => {
        const box = new Box3().setFromObject(model);
        if (box.isEmpty()) return;
        const [middle, size] = [box.getCenter(new Vector3()), box.getSize(new Vector3()).length()];
        // The whole of it fits, as wide and as high as the picture is.
        const half = Math.tan((camera.fov * Math.PI) / 360) * Math.min(1, camera.aspect);
        const away = Math.max(0.4, (size * 0.5) / half);
        camera.position.copy(middle).add(new Vector3(0.55, 0.45, 0.7).normalize().multiplyScalar(away));
        controls.target.copy(middle);
        controls.update();
    };

    const press = new Vector2();
    canvas.addEventListener('pointerdown', (event) => press.set(event.clientX, event.clientY));
    canvas.addEventListener('pointerup', (event) => {
        // Whoever turned the model did not point at anything.
        if (press.distanceTo(new Vector2(event.clientX, event.clientY)) > 5) return;
        const box = canvas.getBoundingClientRect();
        const at = new Vector2(
            ((event.clientX - box.left) / box.width) * 2 - 1,
            1 - ((event.clientY - box.top) / box.height) * 2,
        );
        const ray = new Raycaster();
        ray.setFromCamera(at, camera);
        const hit = ray.intersectObjects(model.children).find(({ object }) => typeof object.userData.run === 'string');
        if (hit) onPick(String(hit.object.userData.run), String(hit.object.userData.key));
    });

    return {
        show: (solids, selected) => {
            scene.remove(model);
            discard(model);
            model = new Group();
            for (const tube of solids.tubes) model.add(...tubeMesh(tube, selected));
            for (const slab of solids.slabs) model.add(slabMesh(slab));
            scene.add(model);
            // A change of the plan leaves the view as it was turned; other runs are looked at anew.
            const of = [...new Set(solids.tubes.map(({ run }) => run))].join(' ');
            if (of !== framed) frame();
            framed = of;
            draw();
        },
        resize: (width, height) => {
            renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
            renderer.setSize(width, height, false);
            camera.aspect = width / Math.max(1, height);
            camera.updateProjectionMatrix();
            draw();
        },
        move: (round, up, nearer) => {
            const arm = camera.position.clone().sub(controls.target);
            arm.applyAxisAngle(new Vector3(0, 1, 0), (round * Math.PI) / 180);
            const side = new Vector3(0, 1, 0).cross(arm).normalize();
            const raised = arm.clone().applyAxisAngle(side, (-up * Math.PI) / 180);
            // Not over the top: it would turn upside down.
            const next = Math.abs(raised.clone().normalize().y) < 0.99 ? raised : arm;
            camera.position.copy(controls.target).add(next.divideScalar(nearer));
            controls.update();
            draw();
        },
        end: () => {
            controls.dispose();
            discard(model);
            renderer.dispose();
        },
    };
}

function tubeMesh(tube: Tube, selected: string | null): (Mesh | Sprite)[] {
    const points = tube.points.map(v);
    const [a, b, c] = [points[0] ?? new Vector3(), points[1] ?? new Vector3(), points[2]];
    const curve = c ? new QuadraticBezierCurve3(a, b, c) : new LineCurve3(a, b);
    const colour = [tube.run, `${tube.run} ${tube.key}`].includes(selected ?? '') ? token('--mark') : colourOf(tube);
    if (tube.kind === 'fitting') colour.multiplyScalar(0.86);
    const material = new MeshLambertMaterial({
        color: colour,
        transparent: tube.kind === 'vent',
        opacity: tube.kind === 'vent' ? 0.6 : 1,
    });
    const mesh = new Mesh(new TubeGeometry(curve, c ? 14 : 1, tube.radiusMm / 1000, 20), material);
    mesh.userData = { run: tube.run, key: tube.key };
    return tube.letter === '' ? [mesh] : [mesh, label(tube.letter, curve.getPoint(0.5), tube.radiusMm / 1000)];
}

function slabMesh({ at, along, size }: Slab): Mesh {
    const [thick, wide, deep] = size;
    const mesh = new Mesh(
        new BoxGeometry(thick / 1000, deep / 1000, wide / 1000),
        new MeshLambertMaterial({ color: token('--clay-2'), transparent: true, opacity: 0.3, depthWrite: false }),
    );
    const x = v(along).normalize();
    const y = new Vector3(0, 1, 0);
    mesh.applyMatrix4(new Matrix4().makeBasis(x, y, x.clone().cross(y)));
    mesh.position.copy(v(at));
    return mesh;
}

/** A letter that always faces whoever looks. */
function label(text: string, at: Vector3, radius: number): Sprite {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [128, 64];
    const context = canvas.getContext('2d');
    if (context) {
        context.fillStyle = `#${token('--mark').getHexString()}`;
        context.fillRect(0, 0, 128, 64);
        context.fillStyle = `#${token('--on-mark').getHexString()}`;
        context.font = '700 44px "Barlow Semi Condensed", sans-serif';
        context.textAlign = 'center';
        context.textBaseline = 'middle';
        context.fillText(text, 64, 34);
    }
    const map = new CanvasTexture(canvas);
    map.colorSpace = SRGBColorSpace;
    // As large on the screen from near and from far.
    const sprite = new Sprite(new SpriteMaterial({ map, depthTest: false, sizeAttenuation: false }));
    sprite.scale.set(0.07, 0.035, 1);
    sprite.center.set(0.5, -0.4);
    sprite.position.copy(at).add(new Vector3(0, radius, 0));
    return sprite;
}

function discard(model: Group): void {
    model.traverse((one) => {
        if (one instanceof Mesh) {
            (one as Mesh<TubeGeometry, MeshLambertMaterial>).geometry.dispose();
            (one as Mesh<TubeGeometry, MeshLambertMaterial>).material.dispose();
        }
        if (one instanceof Sprite) {
            one.material.map?.dispose();
            one.material.dispose();
        }
    });
}
