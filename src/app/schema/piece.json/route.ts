import { documentSchema } from '@/core/document';

export const GET = () => Response.json(documentSchema());
