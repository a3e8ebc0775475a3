CREATE EXTENSION IF NOT EXISTS pg_trgm;--> statement-breakpoint
CREATE INDEX "client_search" ON "client" USING gin (lower("name") gin_trgm_ops);