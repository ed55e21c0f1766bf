export const CHROMIUM: string;
