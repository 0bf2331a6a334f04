-- zest-page/2: what visitors can do with a placed table, nothing so far.
update pages
set document = document || jsonb_build_object('format', 'zest-page/2', 'blocks', coalesce((
  select jsonb_agg(case when block ->> 'kind' = 'table' then '{"visitor": null}' || block else block end order by place)
  from jsonb_array_elements(document -> 'blocks') with ordinality as blocks (block, place)
), '[]'));
update page_editions
set document = document || jsonb_build_object('format', 'zest-page/2', 'blocks', coalesce((
  select jsonb_agg(case when block ->> 'kind' = 'table' then '{"visitor": null}' || block else block end order by place)
  from jsonb_array_elements(document -> 'blocks') with ordinality as blocks (block, place)
), '[]'));
