import type { MailWay } from '@marginalis/core/wire';
import useSWR from 'swr';
import { readMailWay } from '@/remote';

/** How the server sends mail; null where it does not, or is not asked yet. */
export const useMailWay = (): MailWay['by'] =>
  useSWR('mail', readMailWay, { shouldRetryOnError: false }).data?.by ?? null;
