import { readCutterTemplates } from '@/server/devices/cutter';
import { answer } from '@/server/http';

export const GET = (request: Request) => answer(() => readCutterTemplates(request));
