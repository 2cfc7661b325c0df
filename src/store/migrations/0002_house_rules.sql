CREATE TABLE `house_rules` (
	`id` text PRIMARY KEY NOT NULL,
	`rules` text NOT NULL,
	`changed_at` text NOT NULL
);
--> statement-breakpoint
ALTER TABLE `audits` ADD `rules_key` text DEFAULT '' NOT NULL;