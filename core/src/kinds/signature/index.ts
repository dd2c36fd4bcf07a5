export { asSignature, type SignatureMark } from './mark.ts';
export { signatureKind } from './signature.ts';
