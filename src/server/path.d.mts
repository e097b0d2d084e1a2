/** Where the database of this checkout is. */
export declare const databasePath: () => string;
