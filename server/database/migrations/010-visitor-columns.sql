-- zest-page/4: columns that visitors cannot sort by, none so far; the column of a first sort is known by its name too, which is not kept here yet.
update pages
set document = document || jsonb_build_object('format', 'zest-page/4', 'blocks', coalesce((
  select jsonb_agg(case
    when jsonb_typeof(block #> '{visitor,first}') = 'object'
      then jsonb_set(jsonb_set(block, '{visitor,unsorted}', '[]'), '{visitor,first,name}', '""')
    when jsonb_typeof(block -> 'visitor') = 'object' then jsonb_set(block, '{visitor,unsorted}', '[]')
    else block end order by place)
  from jsonb_array_elements(document -> 'blocks') with ordinality as blocks (block, place)
), '[]'));
update page_editions
set document = document || jsonb_build_object('format', 'zest-page/4', 'blocks', coalesce((
  select jsonb_agg(case
    when jsonb_typeof(block #> '{visitor,first}') = 'object'
      then jsonb_set(jsonb_set(block, '{visitor,unsorted}', '[]'), '{visitor,first,name}', '""')
    when jsonb_typeof(block -> 'visitor') = 'object' then jsonb_set(block, '{visitor,unsorted}', '[]')
    else block end order by place)
  from jsonb_array_elements(document -> 'blocks') with ordinality as blocks (block, place)
), '[]'));
