CREATE TABLE `kept_plans` (
	`name` text PRIMARY KEY NOT NULL,
	`made_for` text NOT NULL,
	`steps` integer NOT NULL,
	`plan` text NOT NULL,
	`saved_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `saved_views` (
	`name` text PRIMARY KEY NOT NULL,
	`query` text NOT NULL,
	`saved_at` text NOT NULL
);
--> statement-breakpoint
ALTER TABLE `findings` ADD `chain` text;