require "sinatra/base"
require "erubi"
require "rack/protection"
require "securerandom"

module Frame
  # What each place is built on: the frame of its pages, and how slips are told. A place
  # is a Sinatra application of its own, with its routes, its helpers and its views; it
  # sees no other place's. Its views lie beside it, those that all share in app/views.
  class Application < Sinatra::Base
    SHARED = File.expand_path("../views", __dir__)

    set :environment, ENV.fetch("APP_ENV", "production").to_sym
    set :root, ROOT
    set :public_folder, File.join(ROOT, "public")
    set :static, false # see App
    set :erb, escape_html: true, trim: true
    set :protection, false # see App
    set :host_authorization, {permitted_hosts: []}
    set :show_exceptions, false
    set :raise_errors, false
    set :dump_errors, true

    set :locks_first, false
    set :in_transaction, true # its actions, see Once#act

    MISSING = [ActiveRecord::RecordNotFound, Sinatra::NotFound].freeze

    helpers Answering, Uploads, Once, Colours, AtDesk

    # @param name [String] of the folder in app/places
    def self.lies_in(name) = set(:views, [File.join(ROOT, "app/places", name, "views"), SHARED])

    # Its actions change what belongs to the house (see Once#act).
    def self.locks_first = set(:locks_first, true)

    # Does it answer this?
    def self.answers?(verb, path) = routes.fetch(verb, []).any? { |pattern, _| pattern.match(path) }

    before do
      request.session_options[:skip] = !request.post? # see #keep_session
      Asked.at_door(params)
    end

    # People's slips are told to them, not to the log; what is not here is a line.
    def dump_errors!(error)
      return if error.is_a?(Magpie::Error)
      return super unless MISSING.any? { |kind| error.is_a?(kind) }
      request.env["rack.errors"].puts("404 #{request.request_method} #{request.path_info[0, 200]}")
    end

    # Bad input: said where the person is, with nothing changed.
    error Magpie::Error do |error|
      halt 422, {"Content-Type" => "application/json"}, JSON.generate(error: error.message) if request.path.end_with?(".json")
      refuse(error) unless request.post?
      tell error.message, :wrong
      go_back
    end

    # Both values are shown where the swatch is, and the person chooses.
    error Changes::Conflict do |conflict|
      redirect to(at("palettes", swatch: conflict.swatch.id, field: conflict.field, mine: conflict.mine)), 303
    end

    error(*MISSING) do
      said 404, "This is not here", "The address names something that does not exist or was removed."
    end

    error(Sinatra::BadRequest) { |error| halt 400, {"Content-Type" => "text/plain"}, "This form cannot be read: #{error.message.scrub("?")[0, 200]}" }

    # The router tries again, or says that it could not.
    error(*Busy::ERRORS) { |error| raise error }

    error do |error|
      raise error if settings.test? && !request.env["magpie.as_in_production"] # so that a spec fails with the cause
      said 500, "Something went wrong here", "Nothing was changed. The log says more."
    end

    private

    # A question with an answer that cannot be given: no way leads back from it.
    def refuse(error)
      halt 422, {"Content-Type" => "text/plain"}, error.message if request.path.match?(/\.\w+\z/) || request.env.key?("HTTP_X_PART")
      halt said(422, "This cannot be shown", "#{error.message.sub(/\A./, &:upcase)}.")
    end

    # A page that shows nothing of a project: what was asked for may be what its frame
    # would show.
    def said(status, title, words)
      status status
      erb :"shared/said", layout: false, locals: {title:, words:}
    end

    # Its own view, or the one that all share.
    def find_template(folders, name, engine, &) = Array(folders).each { |folder| super(folder, name, engine, &) }
  end
end
