/**
 * A sensor's code as it is kept, so that what was scanned and what was typed are seen to be the same before there is signal;
 * whether it is a code at all the server says.
 */
export const plainCode = (text: string) => text.replace(/[\s:.\-_#]+/g, '').toUpperCase();
