require_relative "config/environment"

Zeitwerk::Loader.eager_load_all # once, before the workers part
run App
