import type { DrawingUnit } from '@/core/file-problem';
import type { ReadOutline } from '@/core/formats/rings';
import type { ReadScan, UpAxis } from '@/core/formats/stl';
import type { BaseShape } from '@/core/piece';
import { NotAnswered } from './worker/worker-client';
import { readingWorker } from './worker/workers';

/** What a file showed, or what is wrong with it. */
export type Answer = { outline?: ReadOutline; shape?: BaseShape; scan?: ReadScan; problem?: string; needsUnit?: boolean };

/** A file to be read, and what it is read with. */
export type Asked = { name: string; bytes: ArrayBuffer; unit?: DrawingUnit; up?: UpAxis; close?: boolean };

/** Reads a file off the main thread; a file that will not end is stopped. */
export async function readFile(question: Asked): Promise<Answer> {
  const client = readingWorker();
  try {
    return await client.ask<Answer>(question);
  } catch (error) {
    const late = error instanceof NotAnswered && error.why === 'too-long';
    return {
      problem: late
        ? 'This file takes too long to read; is it only the outline?'
        : 'This file cannot be read; it is not as its kind should be.',
    };
  } finally {
    client.close();
  }
}
