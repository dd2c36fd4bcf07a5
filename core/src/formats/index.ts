export { writeInkml } from './inkml/write.ts';
export { readInkml, InkmlError, type ReadTrace } from './inkml/read.ts';
export { placeTraces, type PlacedInk } from './inkml/place.ts';
export { readXfdf, readXfdfFields, XfdfError } from './xfdf/read.ts';
export { writeXfdf } from './xfdf/write.ts';
export { withResolution } from './resolution.ts';
export { type Mail, writeMail } from './mail/write.ts';
