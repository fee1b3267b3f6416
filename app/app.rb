require "sinatra/base"
require "erubi"
require "rack/session"
require "rack/protection"
require "rack/static"
require "securerandom"

# The web application. Routes parse and render; Changes write; the core computes.
class App < Sinatra::Base
  BIGGEST_REQUEST = 256 * 1024 * 1024

  set :environment, ENV.fetch("APP_ENV", "production").to_sym
  set :root, File.expand_path("..", __dir__)
  set :views, File.expand_path("views", __dir__)
  set :public_folder, File.expand_path("../public", __dir__)
  set :static, false # Rack::Static serves them below
  set :erb, escape_html: true, trim: true
  set :protection, false # Rack::Protection is configured below
  set :host_authorization, {permitted_hosts: []}
  set :show_exceptions, false
  set :raise_errors, false
  set :dump_errors, true

  # Before the session, so that a file never brings an older session back.
  use Rack::Static, urls: ["/build"], root: settings.public_folder, header_rules: [[:all, {"cache-control" => "public, max-age=3600"}]]
  use ConnectionRelease
  use Rack::Session::Cookie, key: "magpie", secret: Setting.fetch("session_secret") { SecureRandom.hex(64) }, same_site: :lax, httponly: true, expire_after: 31_536_000
  use Rack::Protection::AuthenticityToken
  use Rack::Protection::RemoteToken
  use Rack::Protection::PathTraversal

  helpers PageHelpers, OnceHelpers, ColourHelpers, GatherHelpers, MixHelpers, PaletteHelpers, ChartHelpers

  register Routes::House, Routes::Gather, Routes::Sources, Routes::Handling, Routes::Palettes, Routes::Selection, Routes::Shelf, Routes::Dress, Routes::Mix, Routes::Deliver

  before do
    headers "Content-Security-Policy" => "default-src 'none'; script-src 'self'; style-src 'self'; style-src-attr 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; form-action 'self'; frame-ancestors 'none'; base-uri 'none'",
      "X-Content-Type-Options" => "nosniff", "Referrer-Policy" => "same-origin"
    Signature.who = Visitor.who(session[:visitor]) if request.post?
    request.session_options[:skip] = !request.post? # see #keep_session
    halt 413, "That is more than 256 MB at once" if request.content_length.to_i > BIGGEST_REQUEST
  end

  get "/health" do
    Record.connection.select_value("SELECT 1")
    "ok"
  end

  # People's slips are told to them, not to the log.
  def dump_errors!(error) = error.is_a?(Magpie::Error) ? nil : super

  # Bad input: said where the person is, with nothing changed.
  error Magpie::Error do |error|
    halt 422, {"Content-Type" => "application/json"}, JSON.generate(error: error.message) if request.path.end_with?(".json")
    tell error.message, :wrong
    go_back
  end

  # Both values are shown where the swatch is, and the person chooses.
  error Changes::Conflict do |conflict|
    redirect to(at("palettes", swatch: conflict.swatch.id, field: conflict.field, mine: conflict.mine)), 303
  end

  error ActiveRecord::RecordNotFound, Sinatra::NotFound do
    status 404
    @title = "Not here"
    erb :"shared/missing"
  end

  error do |error|
    raise error if settings.test? # so that a spec fails with the cause
    status 500
    "Something went wrong here, and nothing was changed. The log says more."
  end
end
