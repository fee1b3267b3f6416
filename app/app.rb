require "rack/builder"
require "rack/static"
require "rack/deflater"
require "rack/session"
require "rack/protection"

# The web application: what stands between a request and the place that answers it.
# Routes parse and render; Changes write; the core computes.
module App
  # What shrinks; pictures and fonts are compressed already.
  TEXT = %w[text/html text/css text/plain text/javascript application/javascript application/json image/svg+xml].freeze

  # Names that this house answers to: the machine's own, and those that HOSTS says.
  HOSTS = ["localhost", "127.0.0.1", "[::1]", *ENV["HOSTS"].to_s.split(/[\s,]+/)].reject(&:empty?).freeze

  STACK = Rack::Builder.app do
    use Rack::Deflater, include: TEXT, sync: false
    use Frame::Door
    use Rack::Protection::HostAuthorization, permitted_hosts: HOSTS, logging: false # a line for each request
    # Before the session, so that a file never brings an older session back.
    use Frame::BuiltFiles
    use Frame::ConnectionRelease
    use Rack::Session::Cookie, key: "magpie", secret: Setting.fetch("session_secret") { SecureRandom.hex(64) }, same_site: :lax, httponly: true, expire_after: 31_536_000
    use Frame::InFlight
    use Frame::SentFiles, later: Places::Actions::PATH
    use Rack::Protection::AuthenticityToken
    use Rack::Protection::RemoteToken
    use Rack::Protection::PathTraversal
    run Places::Actions.new(Frame::SentFiles.new(Places::Router.new))
  end

  def self.call(env) = STACK.call(env)
end
