-- Tables have a description: zest-table/2. Page editions carry tables as they stood, by id.
update tables
set document = document || '{"format": "zest-table/2", "description": ""}'
where document ->> 'format' = 'zest-table/1';
update page_editions
set tables = (
  select coalesce(jsonb_object_agg(key, case when value ->> 'format' = 'zest-table/1'
    then value || '{"format": "zest-table/2", "description": ""}' else value end), '{}')
  from jsonb_each(tables)
)
where jsonb_typeof(tables) = 'object';
