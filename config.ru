require_relative "config/environment"

run App
