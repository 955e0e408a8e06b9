CREATE TABLE `contests` (
	`study_id` text PRIMARY KEY NOT NULL,
	`held_over` text NOT NULL,
	`contest` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`study_id`) REFERENCES `studies`(`id`) ON UPDATE no action ON DELETE cascade
);
