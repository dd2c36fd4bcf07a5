import {
  type FaceName,
  faceOfStyle,
  FACES,
  type LetterStyle,
  OWN_FACES,
} from '@marginalis/core/type';
import { faceAddresses, ownFaces } from '@/work';

const familyOf = (name: FaceName): string => `page-${name}`;

/** Makes the faces of pages known to the browser, under names of their own; each is fetched when a letter of it is shown. */
export function announceFaces(): void {
  const known = new Set([...document.fonts].map(({ family }) => family));
  const addresses = faceAddresses();
  for (const name of FACES)
    if (!known.has(familyOf(name)))
      document.fonts.add(new FontFace(familyOf(name), `url("${addresses[name]}")`));
  for (const name of ownFaces.names)
    if (!known.has(familyOf(name)))
      ownFaces.read(name).then(
        (bytes) => document.fonts.add(new FontFace(familyOf(name), bytes.slice().buffer)),
        (e: unknown) => console.warn('A font file of one’s own could not be read.', e),
      );
}

// Those of the person's own are others now: what was known under their names is forgotten.
ownFaces.subscribe(() => {
  const own = new Set<string>(OWN_FACES.map(familyOf));
  for (const face of [...document.fonts]) if (own.has(face.family)) document.fonts.delete(face);
  announceFaces();
});

const OTHERS = ['serif', 'arabic', 'hebrew', 'devanagari'] as const;

/** The faces of letters, the one that is wanted first, then those of the other scripts as bold as that. */
export function familiesOf(style: LetterStyle): string {
  const bold = style.bold ? '-bold' : '';
  const names = [faceOfStyle(style), ...OTHERS.map((other) => `${other}${bold}` as FaceName)];
  names.push('phonetic', 'math', ...ownFaces.names);
  return [...new Set(names)].map((name) => `"${familyOf(name)}"`).join(', ');
}
