CREATE TABLE `adjustments` (
	`series_id` text NOT NULL,
	`period` text NOT NULL,
	`value` real,
	`reason` text NOT NULL,
	`created_at` integer NOT NULL,
	PRIMARY KEY(`series_id`, `period`),
	FOREIGN KEY (`series_id`) REFERENCES `series`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
ALTER TABLE `series` ADD `shelf_group` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `series` ADD `notes` text DEFAULT '' NOT NULL;