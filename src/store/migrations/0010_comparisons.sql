CREATE TABLE `comparisons` (
	`shell_id` text NOT NULL,
	`other_id` text NOT NULL,
	`version_id` text NOT NULL,
	`other_version_id` text NOT NULL,
	`comparison` text NOT NULL,
	`compared_at` text NOT NULL,
	PRIMARY KEY(`shell_id`, `other_id`),
	FOREIGN KEY (`shell_id`) REFERENCES `shells`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`other_id`) REFERENCES `shells`(`id`) ON UPDATE no action ON DELETE cascade
);
