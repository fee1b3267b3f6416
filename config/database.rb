require "active_record"

# Brings a database up to date.
module Database
  MIGRATIONS = File.expand_path("../db/migrate", __dir__)

  module_function

  def migrate
    ActiveRecord::Migration.verbose = false
    patiently { ActiveRecord::MigrationContext.new(MIGRATIONS).migrate }
  end

  # What rewrites a large table may take as long as it takes.
  def patiently
    connection = ActiveRecord::Base.connection
    usual = connection.select_value("SHOW statement_timeout")
    connection.execute("SET statement_timeout = 0")
    yield
  ensure
    connection&.execute("SET statement_timeout = #{connection.quote(usual)}") if usual
  end
end
