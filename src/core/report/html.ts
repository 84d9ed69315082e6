import type { Report } from './report.js'
export const reportHtml = (report: Report): string => JSON.stringify(report)
