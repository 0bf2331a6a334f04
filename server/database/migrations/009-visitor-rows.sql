-- zest-page/3: visitors can choose rows, see hidden columns, follow a row's link, keep the header and have totals of what was found; nothing of that so far.
update pages
set document = document || jsonb_build_object('format', 'zest-page/3', 'blocks', coalesce((
  select jsonb_agg(case when jsonb_typeof(block -> 'visitor') = 'object' then jsonb_set(block, '{visitor}',
    '{"choose": false, "columns": false, "rowLink": false, "header": false, "totals": false}' || (block -> 'visitor')) else block end order by place)
  from jsonb_array_elements(document -> 'blocks') with ordinality as blocks (block, place)
), '[]'));
update page_editions
set document = document || jsonb_build_object('format', 'zest-page/3', 'blocks', coalesce((
  select jsonb_agg(case when jsonb_typeof(block -> 'visitor') = 'object' then jsonb_set(block, '{visitor}',
    '{"choose": false, "columns": false, "rowLink": false, "header": false, "totals": false}' || (block -> 'visitor')) else block end order by place)
  from jsonb_array_elements(document -> 'blocks') with ordinality as blocks (block, place)
), '[]'));
