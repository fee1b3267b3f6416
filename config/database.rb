require "active_record"

# Brings a database up to date.
module Database
  MIGRATIONS = File.expand_path("../db/migrate", __dir__)

  module_function

  def migrate
    ActiveRecord::Migration.verbose = false
    ActiveRecord::MigrationContext.new(MIGRATIONS).migrate
  end
end
