/** What opens stands behind the #, which no browser sends along and no server writes down. */
const address = (way: string, code: string): string => `${window.location.origin}${way}#${code}`;

/** Where a child's card leads to. */
export const CARD = '/card';
export const cardAddress = (code: string): string => address(CARD, code);

/** Where a grown-up is invited to. */
export const INVITED = '/invited';
export const invitedAddress = (code: string): string => address(INVITED, code);

/** Where parents watch what a class screens. */
export const EVENING = '/evening';
export const eveningAddress = (code: string): string => address(EVENING, code);

/** Where a learning platform's link leads to (src/Lti/LaunchController). */
export const ARRIVE = '/arrive';

/** Where one joins a class by the code on the board. */
export const JOIN = '/join';
