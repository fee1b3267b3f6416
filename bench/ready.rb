# The application with the demo that earlier measurements were made with.
require_relative "../config/environment"
require_relative "../config/database"
require_relative "../db/demo/load"

Database.migrate
Demo.clear
Demo.load(whole: false)
