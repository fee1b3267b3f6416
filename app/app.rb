require "rack/builder"
require "rack/static"
require "rack/deflater"
require "rack/session"
require "rack/protection"

# The web application: what stands between a request and the place that answers it.
# Routes parse and render; Changes write; the core computes.
module App
  BIGGEST_REQUEST = 256 * 1024 * 1024 # bytes

  # What shrinks; pictures and fonts are compressed already.
  TEXT = %w[text/html text/css text/plain text/javascript application/javascript application/json image/svg+xml].freeze

  STACK = Rack::Builder.app do
    use Rack::Deflater, include: TEXT, sync: false
    # Before the session, so that a file never brings an older session back.
    use Frame::BuiltFiles
    use Frame::ConnectionRelease
    use Rack::Session::Cookie, key: "magpie", secret: Setting.fetch("session_secret") { SecureRandom.hex(64) }, same_site: :lax, httponly: true, expire_after: 31_536_000
    use Rack::Protection::AuthenticityToken
    use Rack::Protection::RemoteToken
    use Rack::Protection::PathTraversal
    run Places::Actions.new(Places::Router.new)
  end

  def self.call(env)
    return [413, {"content-type" => "text/plain"}, ["That is more than 256 MB at once"]] if env["CONTENT_LENGTH"].to_i > BIGGEST_REQUEST
    STACK.call(env)
  end
end
