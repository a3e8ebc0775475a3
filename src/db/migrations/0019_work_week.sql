ALTER TABLE "staff" ADD COLUMN "skills" jsonb;--> statement-breakpoint
ALTER TABLE "staff" ADD COLUMN "week" jsonb;