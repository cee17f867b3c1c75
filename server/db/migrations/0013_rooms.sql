-- How many machines find room at a place at once; without a row, what is usual.
CREATE TABLE day_room (
  place text PRIMARY KEY CHECK (place IN ('bath', 'outdoors')),
  count integer NOT NULL CHECK (count BETWEEN 0 AND 20),
  CHECK (place <> 'outdoors' OR count > 0)
);
