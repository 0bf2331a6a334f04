-- Pictures that a person brought in, by their content: the id is the start of the content's SHA-256 and its kind.
create table media (
  id text primary key,
  name text not null,
  type text not null,
  content bytea not null,
  created_at timestamptz not null default now()
);
