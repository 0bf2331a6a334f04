-- zest-page/5: pictures, room, columns and sections beside headings, texts and tables. What there is stays as it is.
update pages set document = document || '{"format": "zest-page/5"}';
update page_editions set document = document || '{"format": "zest-page/5"}';
