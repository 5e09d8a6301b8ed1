INSERT INTO people (id, name, role) VALUES
  ('00000000-0000-4000-8000-000000000001', 'the house', 'administrator'),
  ('00000000-0000-4000-8000-000000000002', 'whoever is at home', 'administrator')
