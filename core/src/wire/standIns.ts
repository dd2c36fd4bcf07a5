import { type InferType, object, string } from 'yup';

/** The largest file that what stands in for a device takes, bytes. */
export const MOST_HANDED_OVER_BYTES = 50 * 1024 * 1024;
/** The header with the name of a file that is handed over, percent-encoded. */
export const FILE_NAME_HEADER = 'file-name';

const address = string()
  .matches(/^\/stand-ins\/[a-z-]+$/)
  .nullable()
  .defined();

/**
 * What stands in for what a device may lack, `GET /api/stand-ins`: where files are handed over by `POST`, and shown; null
 * where nothing does.
 */
export const standInsSchema = object({ printer: address, shareSheet: address });
export type StandIns = InferType<typeof standInsSchema>;
