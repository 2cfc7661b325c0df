/** The columns of a status sheet, for screens. */
export { statusColumns, type StatusColumn } from '@/formats/status-sheet/columns';
