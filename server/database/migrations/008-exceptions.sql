-- zest-table/5: exceptions and dressings; of each column its formula and its rule.
update tables
set document = '{"exceptions": [], "dressings": []}' || document || jsonb_build_object(
  'format', 'zest-table/5',
  'columns', coalesce((
    select jsonb_agg('{"formula": "", "rule": null}'::jsonb || value order by ordinality)
    from jsonb_array_elements(document -> 'columns') with ordinality
  ), '[]')
);
update page_editions
set tables = (
  select coalesce(jsonb_object_agg(key, case when value ->> 'format' = 'zest-table/4'
    then '{"exceptions": [], "dressings": []}' || value || jsonb_build_object(
      'format', 'zest-table/5',
      'columns', coalesce((
        select jsonb_agg('{"formula": "", "rule": null}'::jsonb || column_set order by ordinality)
        from jsonb_array_elements(value -> 'columns') with ordinality as columns (column_set, ordinality)
      ), '[]')
    ) else value end), '{}')
  from jsonb_each(tables)
)
where jsonb_typeof(tables) = 'object';
-- A way back that puts columns back puts them back in this form.
update table_changes
set back = (
  select jsonb_agg(case when change -> 'head' ? 'columns' then jsonb_set(change, '{head,columns}', coalesce((
      select jsonb_agg('{"formula": "", "rule": null}'::jsonb || column_set order by ordinality)
      from jsonb_array_elements(change -> 'head' -> 'columns') with ordinality as columns (column_set, ordinality)
    ), '[]')) else change end order by place)
  from jsonb_array_elements(back) with ordinality as changes (change, place)
)
where jsonb_typeof(back) = 'array' and jsonb_array_length(back) > 0 and back::text like '%"columns"%';
