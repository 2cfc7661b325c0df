/**
 * The ref of the series that an override belongs to: an override’s is the UID, # and its recurrence id (RFC 5545,
 * 3.8.4.4). Any other ref is given back as it is.
 */
export const seriesOfRef = (ref: string): string => ref.replace(/#\d{8}(T\d{6}Z?)?(~\d+)?$/, '');
