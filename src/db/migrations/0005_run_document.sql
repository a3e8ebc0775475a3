ALTER TABLE "run" ADD COLUMN "document" jsonb;--> statement-breakpoint
UPDATE "run" SET "document" = (SELECT "document" FROM "plan" WHERE "plan"."salon_id" = "run"."salon_id" AND "plan"."id" = "run"."plan_id");--> statement-breakpoint
ALTER TABLE "run" ALTER COLUMN "document" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "run" ADD COLUMN "visit_id" uuid;
