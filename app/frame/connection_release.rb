module Frame
  # Gives a request's database connection back when it is answered, so that the pool
  # serves more threads than it has connections.
  class ConnectionRelease
    def initialize(app) = @app = app

    def call(env)
      @app.call(env)
    ensure
      # Within somebody's transaction, as in specs that roll back, it stays theirs.
      Record.connection_handler.clear_active_connections!(:all) unless Record.connection_pool.active_connection&.transaction_open?
    end
  end
end
