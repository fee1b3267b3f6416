# Forms and files sent to the application without a browser, from Deliver of a project.
module SentForms
  # What answers in the end.
  # @param path [String] below the project
  def post_with_token(path, **values)
    token = get("/projects/#{project.id}/deliver").body[/name="authenticity_token" value="([^"]+)"/, 1]
    header "Referer", "http://example.org/projects/#{project.id}/deliver"
    post "/projects/#{project.id}/#{path}", {authenticity_token: token, **values}
    follow_redirect! while last_response.redirect?
    last_response
  end

  def upload(bytes, name) = Rack::Test::UploadedFile.new(StringIO.new(bytes), "application/octet-stream", original_filename: name)
end
