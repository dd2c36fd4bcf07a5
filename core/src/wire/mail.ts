import { array, type InferType, object, string } from 'yup';

/** Of what is attached to a mail, bytes: most mail services take no more than about 25 MB as it travels. */
export const MOST_MAIL_BYTES = 18 * 1024 * 1024;
export const MOST_ADDRESSES = 20;

const address = string().trim().email('“${value}” is no e-mail address').max(254);

/** Addresses as people write them: with commas, semicolons, blanks or lines between. */
export const addressesIn = (typed: string): string[] => typed.split(/[\s,;]+/).filter(Boolean);

export const mailAddressesSchema = array(address.required())
  .max(MOST_ADDRESSES, `a mail goes to at most ${MOST_ADDRESSES} addresses`)
  .required();

/** What a mail that the server is to send says, the part `mail` of `POST /api/mail`; the part `file` is attached. */
export const mailRequestSchema = object({
  to: mailAddressesSchema.min(1, 'a mail needs an address'),
  subject: string().trim().min(1, 'a mail needs a subject').max(200).required(),
  text: string().max(5000).defined(),
}).noUnknown();
export type MailRequest = InferType<typeof mailRequestSchema>;

/** How the server sends mail, `GET /api/mail`: not at all, into its outbox where the sample data is shown, or for real. */
export const mailWaySchema = object({
  by: string()
    .oneOf(['outbox', 'service'] as const)
    .nullable()
    .defined(),
});
export type MailWay = InferType<typeof mailWaySchema>;
