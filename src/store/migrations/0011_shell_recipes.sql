CREATE TABLE `shell_recipes` (
	`shell_id` text PRIMARY KEY NOT NULL,
	`recipe` text NOT NULL,
	`ticked` text DEFAULT '[]' NOT NULL,
	`begun_at` text NOT NULL,
	FOREIGN KEY (`shell_id`) REFERENCES `shells`(`id`) ON UPDATE no action ON DELETE cascade
);
