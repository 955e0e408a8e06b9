CREATE TABLE `study_steps` (
	`study_id` text NOT NULL,
	`n` integer NOT NULL,
	`content` text NOT NULL,
	`is_present` integer NOT NULL,
	PRIMARY KEY(`study_id`, `n`),
	FOREIGN KEY (`study_id`) REFERENCES `studies`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `study_views` (
	`study_id` text PRIMARY KEY NOT NULL,
	`view` text NOT NULL,
	FOREIGN KEY (`study_id`) REFERENCES `studies`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `series` ADD `vintage_id` text DEFAULT '' NOT NULL;--> statement-breakpoint
UPDATE `series` SET `vintage_id` = (
	SELECT `id` FROM `vintages` WHERE `series_id` = `series`.`id` ORDER BY `created_at` DESC, `rowid` DESC LIMIT 1
);
