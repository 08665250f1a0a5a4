import { answer } from '@/server/http';
import { openapi } from '@/server/openapi/openapi';

export const GET = () => answer(() => Response.json(openapi()));
