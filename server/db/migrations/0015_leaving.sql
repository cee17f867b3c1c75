-- How a job leaves its machine: screws, gap, what was told and chosen, papers and pictures. Cards of before are made anew.
ALTER TABLE job_card ADD COLUMN leaving jsonb NOT NULL DEFAULT '{}' CHECK (jsonb_typeof(leaving) = 'object');
-- A model's record is read from the latest jobs of it: maker and model in small letters; null until its card is made anew.
ALTER TABLE job_card ADD COLUMN model text;
CREATE INDEX job_card_of_model ON job_card (model, since DESC) WHERE stage = 'closed';
