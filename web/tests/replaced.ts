/** Modules that some test file puts another in the place of: they are themselves again in the next. */
export const REPLACED = ['@/shared/api', '@/shared/session']
