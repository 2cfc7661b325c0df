ALTER TABLE `house_rules` ADD `name` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `shells` ADD `rules_id` text;--> statement-breakpoint
ALTER TABLE `shells` ADD `laid_by_at` text;