# Migrates the database and loads the demo once; FRESH=1 loads it anew.
require_relative "environment"
require_relative "database"
require_relative "../db/demo/load"

Database.migrate
Demo.clear if ENV["FRESH"] == "1"
Demo.load unless Project.exists?
