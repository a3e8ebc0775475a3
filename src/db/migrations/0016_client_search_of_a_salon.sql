CREATE EXTENSION IF NOT EXISTS btree_gin;--> statement-breakpoint
CREATE EXTENSION IF NOT EXISTS unaccent;--> statement-breakpoint
CREATE FUNCTION falto_plain(text) RETURNS text LANGUAGE sql IMMUTABLE PARALLEL SAFE STRICT AS $$
  select lower(public.unaccent('public.unaccent'::regdictionary, $1))
$$;--> statement-breakpoint
DROP INDEX "client_search";--> statement-breakpoint
CREATE INDEX "client_search" ON "client" USING gin ("salon_id",falto_plain("name") gin_trgm_ops);
