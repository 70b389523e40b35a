export const launchOptions: { executablePath: string; args: string[] };
export const windowOptions: { viewport: { width: number; height: number }; timezoneId: string };
