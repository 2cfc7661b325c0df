/** What a page shows, as one text. */
export type Packed<View> = string & { readonly __packed: View };

/**
 * Packs what a page shows: React walks through every value of what it sends to a page and sends a text as it is, so that
 * ten thousand findings hold the thread that answers for a fraction of the time. Plain JSON only.
 */
export const pack = <View>(view: View): Packed<View> => JSON.stringify(view) as Packed<View>;

export const unpack = <View>(packed: Packed<View>): View => JSON.parse(packed) as View;
