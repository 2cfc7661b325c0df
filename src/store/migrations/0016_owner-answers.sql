CREATE TABLE `owner_answers` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`shell_id` text NOT NULL,
	`asks` text NOT NULL,
	`answer` text NOT NULL,
	`note` text NOT NULL,
	`becomes` text NOT NULL,
	`findings` integer NOT NULL,
	`taken_at` text NOT NULL,
	FOREIGN KEY (`shell_id`) REFERENCES `shells`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `owner_answers_by_shell` ON `owner_answers` (`shell_id`);