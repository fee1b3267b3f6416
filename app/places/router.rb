module Places
  # Gives each request to the place that answers it; what none answers, the house says.
  class Router
    # In the order in which they are asked.
    ALL = [House, Calling, Gather, Handling, Palettes, Dress, Mix, Match, Deliver].map { |place| place::Application }.freeze

    def initialize = ALL.each(&:prototype) # built now, not by the first request

    def call(env)
      verb, path = env.values_at("REQUEST_METHOD", "PATH_INFO")
      path = "/" if path.empty?
      place = ALL.find { |each| each.answers?(verb, path) } || House::Application
      Frame::Busy.around(env) { place.call(env) }
    end
  end
end
