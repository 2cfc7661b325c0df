/** The limits that hold for an upload are those of the package reader. */
export { defaultLimits } from '@/formats/archive/limits';
