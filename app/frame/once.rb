module Frame
  # Every form carries a key of its own. A form that arrives twice (a double click, a
  # browser that sends again) happens once: the second time it gets the first answer.
  module Once
    KEY = /\A[\w-]{8,64}\z/

    # What every form that changes something begins with.
    def token
      @token ||= %(<input type="hidden" name="authenticity_token" value="#{Rack::Protection::AuthenticityToken.token(session)}"><input type="hidden" name="once" value=").freeze
      %(#{@token}#{SecureRandom.hex(8)}">)
    end

    # What a form showed in its fields when it was drawn.
    # @param fields [Hash{Symbol => String}]
    def saw(**fields) = fields.map { |name, value| %(<input type="hidden" name="saw_#{name}" value="#{Rack::Utils.escape_html(value.to_s)}">) }.join

    # Refuses to write over what somebody changed since the form was drawn. What the same
    # window changed since is its own.
    # @param now [Hash{Symbol => String}] what the fields hold now
    # @raise [Magpie::Error]
    def as_seen(what, **now)
      now.each do |field, value|
        shown, wanted = param["saw_#{field}"], param[field]
        next if shown.nil? || [shown, wanted].include?(value.to_s) || actor.alone?(project)
        raise Magpie::Error, "The #{field} of #{what} was changed meanwhile, from “#{shown}” to “#{value}”. You wanted “#{wanted}”. Nothing was saved"
      end
    end

    private

    # Around every route.
    def route_eval(&route)
      return super unless request.post?
      return throw(:halt, act(&route)) unless KEY.match?(param.text(:once))
      answer = nil
      given = Answer.once(once_key(request.path, param[:once])) do
        answer = act(&route)
        status answer if answer.is_a?(Integer) # as redirects halt
        body answer if answer.is_a?(String)
        {status: response.status, headers: response.headers.slice("location", "content-type").to_h, body: response.body.is_a?(Array) ? response.body.join : "", notice: session[:notice]}
      end
      given ? again(given) : throw(:halt, answer)
    end

    # The locks first where a place changes what belongs to the house, so that what is read
    # is what is changed; but files are read before anybody waits. The hand last.
    def act(&route)
      return catch(:halt, &route) unless settings.in_transaction
      Record.transaction do
        Changes::Change.lock(param.id(:project), actor) if settings.locks_first && param[:project] && request.media_type != "multipart/form-data"
        catch(:halt, &route).tap { @desk&.hand&.settle }
      end
    end

    def once_key(path, form) = "#{visitor}#{path}/#{form}"

    def again(given)
      keep_session
      session[:notice] = given.notice if given.notice
      halt given.status, given.headers, given.body
    end
  end
end
