module Places
  # What a person did, one thing after the other, in one request: each action is answered
  # as if it had come alone, in their order, and the page comes once, after the last.
  # Forms are what they were; only the way is another. A browser that got no answer sends
  # them again, and what was done is not done twice, since each has its key (Frame::Once).
  class Actions
    PATH = "/actions"

    def initialize(router) = @router = router

    def call(env)
      return @router.call(env) unless env["PATH_INFO"] == PATH && env["REQUEST_METHOD"] == "POST"
      Sequence.new(@router, env).answer
    rescue JSON::ParserError, Malformed => error
      [422, {"content-type" => "text/plain; charset=utf-8"}, ["These actions cannot be read: #{error.message[0, 200]}"]]
    end

    class Malformed < StandardError; end
  end
end
