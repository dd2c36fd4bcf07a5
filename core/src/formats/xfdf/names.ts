/** The namespace that ISO 19444-1 gives to XFDF. */
export const XFDF = 'http://ns.adobe.com/xfdf/';
