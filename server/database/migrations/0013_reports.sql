CREATE TABLE `reports` (
	`study_id` text PRIMARY KEY NOT NULL,
	`choices` text NOT NULL,
	FOREIGN KEY (`study_id`) REFERENCES `studies`(`id`) ON UPDATE no action ON DELETE cascade
);
