CREATE TABLE "picture_leaving" (
	"salon_id" uuid NOT NULL,
	"picture_id" uuid NOT NULL,
	"size" text NOT NULL,
	CONSTRAINT "picture_leaving_salon_id_picture_id_size_pk" PRIMARY KEY("salon_id","picture_id","size")
);
--> statement-breakpoint
ALTER TABLE "picture_bytes" ALTER COLUMN "data" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "picture_bytes" ADD COLUMN "sha256" text;--> statement-breakpoint
CREATE INDEX "picture_bytes_here" ON "picture_bytes" USING btree ("salon_id") WHERE "picture_bytes"."data" is not null;