import { type Face, type FaceName, type Fonts, loadTypesetter } from '@marginalis/core/type';

type OpenFace = (name: FaceName, bytes: Uint8Array) => Promise<Face> | Face;

const openWithTypesetter: OpenFace = async (name, bytes) =>
  (await loadTypesetter()).openFace(name, bytes);

/** The faces that are loaded: each when it is first asked for, kept from then on. */
export class LoadedFonts implements Fonts {
  private readonly faces = new Map<FaceName, Face>();
  private readonly asked = new Set<FaceName>();
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly read: (name: FaceName) => Promise<Uint8Array>,
    private readonly open: OpenFace = openWithTypesetter,
  ) {}

  /** Called when a face has come. Gives a function that ends it. */
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  face(name: FaceName): Face | null {
    const face = this.faces.get(name) ?? null;
    if (!face && !this.asked.has(name)) {
      this.asked.add(name);
      void this.load(name);
    }
    return face;
  }

  private async load(name: FaceName): Promise<void> {
    try {
      this.faces.set(name, await this.open(name, await this.read(name)));
      for (const listener of this.listeners) listener();
    } catch (e) {
      // Without a network on the very first visit: asked for again, it is tried again.
      this.asked.delete(name);
      console.warn('A face could not be loaded.', e);
    }
  }
}
