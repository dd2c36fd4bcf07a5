import type { ReaderFeature } from '@/shell';
import { PageText } from './PageText';

/** Pages as text, for those who do not see them. */
export const pageTextFeature: ReaderFeature = { name: 'pagetext', OnPage: PageText };
