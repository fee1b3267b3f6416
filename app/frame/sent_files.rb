module Frame
  # A form with files is read here, once for whoever comes after: what cannot be read is
  # said, where the check of its token would only forbid it, or the framework say it in its
  # own words.
  class SentFiles
    MOST = Asked::LISTS.fetch("files")
    Rack::Utils.multipart_file_limit = MOST + 1 # Rack stops before it has as many

    # @param later [String, nil] a path whose forms are read further on
    def initialize(app, later: nil) = (@app, @later = app, later)

    def call(env)
      request = Rack::Request.new(env)
      request.POST if env["REQUEST_METHOD"] == "POST" && request.media_type == "multipart/form-data" && env["PATH_INFO"] != @later
      @app.call(env)
    rescue Rack::Multipart::MultipartPartLimitError
      Door.line(413, "More than #{MOST} files came at once. Choose fewer, or send them as a zip of #{MOST} at most")
    rescue Rack::BadRequest, EOFError => error
      raise if env["rack.request.form_error"].nil?
      Door.line(400, "This form cannot be read: #{error.message.to_s.scrub("?")[0, 200]}")
    end
  end
end
