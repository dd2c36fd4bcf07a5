// The parts of jsts that are used here; its own types describe the bundle, not the modules.
declare module 'jsts/org/locationtech/jts/geom/*' {
  const value: new (...args: unknown[]) => never;
  export default value;
}
declare module 'jsts/org/locationtech/jts/algorithm/ConvexHull.js' {
  export default class ConvexHull {
    constructor(coordinates: unknown[], factory: unknown);
    getConvexHull(): { getArea(): number };
  }
}
declare module 'jsts/org/locationtech/jts/operation/union/CascadedPolygonUnion.js' {
  export default class CascadedPolygonUnion {
    static union(polygons: unknown): { getArea(): number };
  }
}
declare module 'jsts/java/util/ArrayList.js' {
  export default class ArrayList {
    add(item: unknown): void;
  }
}
declare module 'jsts/org/locationtech/jts/operation/buffer/BufferOp.js' {
  export default class BufferOp {
    static bufferOp(geometry: unknown, distance: number, parameters: unknown): unknown;
  }
}
declare module 'jsts/org/locationtech/jts/operation/buffer/BufferParameters.js' {
  export default class BufferParameters {
    constructor(quadrantSegments: number);
  }
}
declare module 'jsts/org/locationtech/jts/operation/overlay/OverlayOp.js' {
  interface Line {
    getNumGeometries(): number;
    getGeometryN(i: number): Line;
    getLength(): number;
    getCoordinates(): { x: number; y: number }[];
  }
  export default class OverlayOp {
    static DIFFERENCE: number;
    static overlayOp(a: unknown, b: unknown, op: number): Line;
  }
}
