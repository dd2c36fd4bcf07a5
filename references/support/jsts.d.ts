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
