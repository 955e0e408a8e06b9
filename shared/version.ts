/** The version of Elvant that figures were made by, as `package.json` has it. */
export const VERSION = '0.1.0'
