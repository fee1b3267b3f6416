# No state lives in a process, so any number of workers do. Two suit a laptop.
require_relative "puma_answers"
ROOT_FOLDER = File.expand_path("..", __dir__)
rackup File.join(ROOT_FOLDER, "config.ru")
environment ENV.fetch("APP_ENV", "production")
workers Integer(ENV.fetch("WEB_CONCURRENCY", "2"))
threads 1, Integer(ENV.fetch("THREADS", "16"))
http_content_length_limit 256 * 1024 * 1024 # told before a byte is read
preload_app!
# One process does what is to be done once a day.
if Integer(ENV.fetch("WEB_CONCURRENCY", "2")) > 0
  before_worker_boot do |number|
    Magpie::Walls.open
    Changes::Housekeeping.daily if number == 0
  end
else
  after_booted do
    Magpie::Walls.open
    Changes::Housekeeping.daily
  end
end
silence_single_worker_warning
quiet
if Integer(ENV.fetch("WEB_CONCURRENCY", "2")) > 0
  before_fork { # connections must not be shared by workers
    ActiveRecord::Base.connection_pool.disconnect! if defined?(ActiveRecord::Base)
  }
end
