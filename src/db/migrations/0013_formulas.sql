ALTER TABLE "visit" ADD COLUMN "formulas" jsonb;--> statement-breakpoint
UPDATE "visit" SET "formulas" = (
	SELECT coalesce(jsonb_agg(formula - '{id,planned,weighed,left}'::text[]), '[]') FROM jsonb_array_elements("summary"->'formulas') AS formula
) WHERE "summary" IS NOT NULL;
