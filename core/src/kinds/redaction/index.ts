export { asRedaction, type RedactionMark } from './mark.ts';
export { LONGEST_REDACTED, MOST_BARS } from './record.ts';
export { REDACTION } from './redaction.ts';
