/** Where a placement is served for other pages; its stylesheet has `.css` after it. */
export const elsewhereAddress = (page: string, block: string): string => `/elsewhere/${encodeURIComponent(page)}/${encodeURIComponent(block)}`;
