import { answer } from '@/server/http';
import { deleteJob, putJob, readJob } from '@/server/jobs';

type Context = { params: Promise<{ id: string }> };

export const GET = (_: Request, { params }: Context) => answer(async () => readJob((await params).id));
export const PUT = (request: Request, { params }: Context) => answer(async () => putJob(request, (await params).id));
export const DELETE = (_: Request, { params }: Context) => answer(async () => deleteJob((await params).id));
