import { answer } from '@/server/http';
import { postJob, readJobs } from '@/server/jobs';

export const dynamic = 'force-dynamic';
export const GET = () => answer(() => readJobs());
export const POST = (request: Request) => answer(() => postJob(request));
