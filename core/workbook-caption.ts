/** The property of a workbook that says, as `title`, that its title is a table's caption: as this tool writes it and reads it again. */
export const WORKBOOK_CAPTION = 'Table caption';
