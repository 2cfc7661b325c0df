'use client';
import { createContext, useContext, type ReactNode } from 'react';
import type { JobView } from '@/services/keep/jobs/job-queue';

type JobUnderWay = Pick<JobView, 'id' | 'kind'>;

const Jobs = createContext<readonly JobUnderWay[]>([]);

/**
 * The jobs of the shell that were under way when its page was read. They are looked up before the page is, so that one
 * that ends in between is followed to its end and the page is read again.
 */
export function JobsUnderWay({
  jobs,
  children,
}: {
  jobs: readonly JobUnderWay[];
  children: ReactNode;
}): ReactNode {
  return <Jobs value={jobs}>{children}</Jobs>;
}

export const useJobsUnderWay = (): readonly JobUnderWay[] => useContext(Jobs);
