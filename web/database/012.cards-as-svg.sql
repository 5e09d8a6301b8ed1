UPDATE problems SET card = NULL, card_revision = NULL
