/** Titles of experiments that all of Larkfield has (database/seeders). */
export const WHEY = 'Monday’s whey, fresh from the vat'
