-- An owner's page, and what their closed jobs teach, are read by owner: closed jobs as well as open ones.
CREATE INDEX job_card_of_owner ON job_card (customer_id, since DESC);
